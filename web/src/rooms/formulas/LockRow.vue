<script setup lang="ts">
import { computed } from 'vue'
import type { FormulaAnswer } from '../../api/client'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import MassField from '../../forms/MassField.vue'
import NumberField from '../../forms/NumberField.vue'
import PickField from '../../forms/PickField.vue'
import { useKitchen } from '../../shell/kitchen'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import type { Body, Lock } from './useWork'

/** What stays while the rest changes: pieces, dough, flour, what is left in a bag, or a tin. */
const props = defineProps<{ seen: FormulaAnswer | null }>()
const form = defineModel<Body>('form', { required: true })
const lock = defineModel<Lock>('lock', { required: true })
const t = words.formulas
const { settings } = useKitchen()
const { mass } = useUnits()

/** What is locked begins where it stands. */
const kind = computed({
  get: () => lock.value.kind,
  set: (kind) => {
    const flour = form.value.flours[0]
    const key = flour?.mine?.id ?? flour?.kind ?? ''
    const weighed = props.seen?.weighed
    const bag = props.seen?.totals[0]?.g
    const g = { dough: weighed?.dough_g, flour: weighed?.flour_g, bag }[kind as string] ?? 0
    lock.value = {
      ...lock.value,
      kind,
      g: Math.round(g),
      flour_key: key,
      tin_ml: settings.value?.tin_ml ?? lock.value.tin_ml,
    }
  },
})
const options = Object.entries(t.locks).map(([value, label]) => ({ value: value as Lock['kind'], label }))
const bags = computed(() =>
  (props.seen?.formula.flours ?? []).map((share) => ({
    value: share.mine?.id ?? share.kind,
    label: props.seen!.totals[props.seen!.formula.flours.indexOf(share)]?.name ?? share.kind,
  })),
)
</script>

<template>
  <div class="lock">
    <ChoiceRow v-model="kind" :legend="t.stays" :options="options" />
    <div class="pair">
      <NumberField v-model="form.pieces" :label="t.piecesLabel" />
      <MassField v-if="lock.kind === 'pieces'" v-model="form.scaling_weight_g" :label="t.weight" />
      <MassField
        v-if="['dough', 'flour', 'bag'].includes(lock.kind)"
        v-model="lock.g"
        :label="t.locked[lock.kind]!"
      />
      <PickField v-if="lock.kind === 'bag'" v-model="lock.flour_key" :label="t.bagOf" :options="bags" />
      <template v-if="lock.kind === 'tin'">
        <NumberField v-model="lock.tin_ml" :label="t.tinHolds" unit="ml" />
        <NumberField v-model="lock.g_per_ml" :label="t.tinFill" unit="g/ml" />
      </template>
      <p v-if="lock.kind !== 'pieces' && seen" class="each">
        {{ t.each }} <strong>{{ mass(seen.formula.scaling_weight_g) }}</strong>
      </p>
    </div>
  </div>
</template>

<style scoped>
.lock {
  display: grid;
  gap: 10px;
}
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: end;
}
.each {
  min-height: 44px;
  display: flex;
  gap: 6px;
  align-items: center;
}
</style>
