<script setup lang="ts">
import NumberField from '../../forms/NumberField.vue'
import PickField from '../../forms/PickField.vue'
import RemoveButton from '../../forms/RemoveButton.vue'
import TickField from '../../forms/TickField.vue'
import { words } from '../../words'
import LineRow from './LineRow.vue'
import type { Body } from './useWork'

type Soaker = Body['soakers'][number]
type Share = Body['flours'][number]
const props = defineProps<{
  flours: { value: string; label: string; share: Share }[]
  grams: (place: number) => number
}>()
const emit = defineEmits<{ grams: [number, number]; remove: [] }>()
const one = defineModel<Soaker>({ required: true })
const t = words.formulas
const keyOf = (share: Share) => share.mine?.id ?? share.kind
function pick(share: Share, key: string) {
  const found = props.flours.find((each) => each.value === key)?.share
  if (found) Object.assign(share, { kind: found.kind, mine: found.mine ?? null })
}
function addFlour() {
  const share = props.flours[0]?.share
  if (share) one.value.flours.push({ kind: share.kind, mine: share.mine ?? null, percent: 5 })
}
const kinds = Object.entries(t.extraKinds).map(([value, label]) => ({
  value: value as Soaker['extras'][number]['kind'],
  label,
}))
</script>

<template>
  <div class="block" role="group" :aria-label="one.name">
    <div class="head">
      <ElInput v-model="one.name" maxlength="60" :aria-label="t.name" />
      <PickField
        v-model="one.kind"
        :label="t.kind"
        hide-label
        :options="[
          { value: 'soaker', label: t.soakerKinds.soaker },
          { value: 'scald', label: t.soakerKinds.scald },
        ]"
      />
      <RemoveButton :of="one.name" @remove="emit('remove')" />
    </div>
    <div class="drink">
      <NumberField v-model="one.water_percent" :label="t.soakerWater" unit="%" counts="overall" />
      <TickField v-model="one.bound" :label="t.bound" />
    </div>
    <LineRow
      v-for="(extra, place) in one.extras"
      :key="place"
      v-model="extra.percent"
      :name="extra.name"
      :grams="grams(place)"
      @grams="(value) => emit('grams', place, value)"
      @remove="one.extras.splice(place, 1)"
    >
      <ElInput v-model="extra.name" maxlength="60" :aria-label="t.name" />
      <PickField v-model="extra.kind" :label="`${t.kind}: ${extra.name}`" hide-label :options="kinds" />
    </LineRow>
    <div v-for="(share, place) in one.flours" :key="`f${place}`" class="flour">
      <PickField
        :model-value="keyOf(share)"
        :label="t.soakedFlour"
        hide-label
        :options="flours"
        @update:model-value="(key: string) => pick(share, key)"
      />
      <NumberField v-model="share.percent" :label="t.soakedFlour" unit="%" hide-label counts="overall" />
      <RemoveButton :of="t.soakedFlour" @remove="one.flours.splice(place, 1)" />
    </div>
    <div class="more">
      <ElButton
        class="link"
        @click="one.extras.push({ name: t.extraKinds.seeds!, kind: 'seeds', percent: 4, late: false })"
      >
        {{ t.addExtra }}
      </ElButton>
      <ElButton v-if="!one.flours.length" class="link" @click="addFlour">{{ t.addFlour }}</ElButton>
    </div>
  </div>
</template>

<style scoped>
.block {
  padding: 6px 0 10px 12px;
  border-left: 3px solid var(--ink);
  margin-bottom: 10px;
}
.head,
.drink,
.flour,
.more {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: end;
  margin-bottom: 8px;
}
.head .field {
  flex: 1;
  min-width: 120px;
  width: auto;
}
</style>
