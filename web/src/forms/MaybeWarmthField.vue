<script setup lang="ts">
import { computed } from 'vue'
import { useUnits } from '../shell/units'
import MaybeField from './MaybeField.vue'

/** A temperature that need not be known, asked in the baker's own degrees; only what lies within limits is passed on. */
const props = defineProps<{ label: string; low: number; high: number }>()
const model = defineModel<number | null | undefined>()
const { fahrenheit, toDegrees, fromDegrees } = useUnits()
const shown = computed({
  get: () => (model.value == null ? null : Math.round(toDegrees(model.value))),
  set: (value) => {
    const c = value == null ? null : fromDegrees(value)
    if (c === null || (c >= props.low && c <= props.high)) model.value = c
  },
})
</script>

<template>
  <MaybeField v-model="shown" :label="label" :unit="fahrenheit ? '°F' : '°C'" :digits="0" />
</template>
