<script setup lang="ts">
import { computed } from 'vue'
import { useUnits } from '../shell/units'
import NumberField from './NumberField.vue'

defineProps<{ label: string; hideLabel?: boolean }>()
/** Grams, shown and read in the baker's own unit. */
const model = defineModel<number>({ required: true })
const { massUnit, toMass, fromMass } = useUnits()
const shown = computed({
  get: () => toMass(model.value),
  set: (value) => (model.value = fromMass(value)),
})
const digits = computed(() => (massUnit.value === 'oz' ? 3 : model.value < 10 ? 2 : 1))
</script>

<template>
  <NumberField v-model="shown" :label="label" :unit="massUnit" :digits="digits" :hide-label="hideLabel" />
</template>
