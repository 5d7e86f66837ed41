<script setup lang="ts" generic="M extends string">
import { computed, ref } from 'vue'
import { useUnits } from '../shell/units'
import { words } from '../words'
import ChoiceRow from './ChoiceRow.vue'
import NumberField from './NumberField.vue'

/** How a dough was read, and the figure: its rise by eye, on a line or in a jar, its temperature, or only a verdict. */
const props = defineProps<{
  measures: M[]
  start: { percent: number; line: number; first: number; height: number }
}>()
const t = words.read
const { fahrenheit, fromDegrees } = useUnits()
const measure = ref(props.measures[0]!) as { value: M }
const percent = ref(props.start.percent)
const line = ref(props.start.line)
const first = ref(props.start.first)
const height = ref(props.start.height)
const warm = ref(fahrenheit.value ? 75 : 24)
const options = props.measures.map((value) => ({
  value,
  label: t.measures[value as keyof typeof t.measures],
}))

const value = computed(() => {
  if (measure.value === 'percent') return percent.value
  if (measure.value === 'line_ml') return line.value * 1000
  if (measure.value === 'heights_mm') return height.value
  return measure.value === 'celsius' ? fromDegrees(warm.value) : 0
})
/** The reading as the program takes it. */
defineExpose({
  read: () => ({
    measure: measure.value,
    value: value.value,
    start: measure.value === 'heights_mm' ? first.value : null,
  }),
})
</script>

<template>
  <ChoiceRow v-model="measure" :legend="t.how" :options="options" />
  <div class="pair">
    <NumberField v-if="measure === 'percent'" v-model="percent" :label="t.rise" unit="%" />
    <NumberField v-if="measure === 'line_ml'" v-model="line" :label="t.line" unit="l" />
    <template v-if="measure === 'heights_mm'">
      <NumberField v-model="first" :label="t.first" unit="mm" />
      <NumberField v-model="height" :label="t.height" unit="mm" />
    </template>
    <NumberField
      v-if="measure === 'celsius'"
      v-model="warm"
      :label="t.warm"
      :unit="fahrenheit ? '°F' : '°C'"
      :digits="1"
    />
    <slot />
  </div>
</template>

<style scoped>
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 14px;
  align-items: end;
}
</style>
