<script setup lang="ts">
import { computed, ref } from 'vue'
import { useUnits } from '../shell/units'
import { words } from '../words'
import MaybeField from './MaybeField.vue'

/** A temperature that need not be known, asked in the baker's own degrees. What lies outside its limits is not passed on,
 * and is said. */
const props = defineProps<{ label: string; low: number; high: number }>()
const model = defineModel<number | null | undefined>()
const { fahrenheit, toDegrees, fromDegrees, warmth } = useUnits()
const outside = ref(false)
const shown = computed({
  get: () => (model.value == null ? null : Math.round(toDegrees(model.value))),
  set: (value) => {
    const c = value == null ? null : fromDegrees(value)
    outside.value = c !== null && (c < props.low || c > props.high)
    model.value = outside.value ? null : c
  },
})
</script>

<template>
  <div>
    <MaybeField v-model="shown" :label="label" :unit="fahrenheit ? '°F' : '°C'" :digits="0" />
    <p v-if="outside" class="small" role="alert">
      {{ words.forms.between({ low: warmth(low), high: warmth(high) }) }}
    </p>
  </div>
</template>
