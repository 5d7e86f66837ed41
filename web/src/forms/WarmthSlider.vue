<script setup lang="ts">
import { computed } from 'vue'
import { useUnits } from '../shell/units'
import SliderField from './SliderField.vue'

const props = defineProps<{ label: string; low: number; high: number }>()
const model = defineModel<number>({ required: true })
const { fahrenheit, toDegrees, fromDegrees, warmth } = useUnits()

const step = computed(() => (fahrenheit.value ? 1 : 0.5))
const shown = computed({
  get: () => Math.round(toDegrees(model.value) / step.value) * step.value,
  set: (value) => {
    model.value = Math.min(Math.max(Math.round(fromDegrees(value) * 100) / 100, props.low), props.high)
  },
})
</script>

<template>
  <SliderField
    v-model="shown"
    :label="label"
    :said="warmth(model)"
    :min="Math.ceil(toDegrees(low))"
    :max="Math.floor(toDegrees(high))"
    :step="step"
  />
</template>
