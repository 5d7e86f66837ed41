<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { limits } from '../../api/limits'
import NumberField from '../../forms/NumberField.vue'
import PickField from '../../forms/PickField.vue'
import RemoveButton from '../../forms/RemoveButton.vue'
import { restOf, useFlours } from '../../shell/flours'
import { words } from '../../words'

/** The flour that a culture is fed with, or several: the first makes up what the others leave. */
defineProps<{ label: string }>()
const kind = defineModel<string>('kind', { required: true })
const also = defineModel<Schemas['FlourPart'][]>('also', { required: true })
const t = words.cultures
const MOST = 6
const { options, names } = useFlours()
const rest = computed(() => Math.round(restOf(also.value)))
const free = computed(() => {
  const taken = new Set([kind.value, ...also.value.map((each) => each.kind)])
  return options.value.filter((each) => !taken.has(each.value))
})
const choices = (own: string) =>
  options.value.filter((each) => each.value === own || free.value.some((one) => one.value === each.value))
function mixIn() {
  const next = free.value[0]
  if (next)
    also.value = [...also.value, { kind: next.value, percent: Math.max(Math.round(rest.value / 2), 1) }]
}
const set = (place: number, change: Partial<Schemas['FlourPart']>) =>
  (also.value = also.value.map((each, index) => (index === place ? { ...each, ...change } : each)))
const leaveOut = (place: number) => (also.value = also.value.filter((_, index) => index !== place))
</script>

<template>
  <div class="mix">
    <div class="flour">
      <PickField v-model="kind" class="name" :label="label" :options="choices(kind)" />
      <span v-if="also.length" class="rest clock">{{ rest }} %</span>
    </div>
    <div v-for="(each, place) in also" :key="place" class="flour">
      <PickField
        class="name"
        :label="t.mixedWith"
        :options="choices(each.kind)"
        :model-value="each.kind"
        @update:model-value="(value) => set(place, { kind: value })"
      />
      <NumberField
        :label="t.shareOf"
        unit="%"
        :digits="0"
        :model-value="each.percent"
        @update:model-value="(value) => set(place, { percent: value })"
      />
      <RemoveButton :of="names[each.kind] ?? each.kind" @remove="leaveOut(place)" />
    </div>
    <p v-if="rest < 100 - limits.MIXED_IN_PERCENT.high" class="small" role="status">{{ t.mixTooMuch }}</p>
    <ElButton v-if="also.length < MOST && free.length" class="link" @click="mixIn">{{ t.mixIn }}</ElButton>
  </div>
</template>

<style scoped>
.mix {
  display: grid;
  gap: 8px;
  justify-items: start;
}
.flour {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
}
.name {
  width: 200px;
}
.rest {
  min-height: 44px;
  display: grid;
  align-items: center;
}
</style>
