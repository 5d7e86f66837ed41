<script setup lang="ts">
import { computed } from 'vue'
import { useUnits } from '../shell/units'
import MaybeField from './MaybeField.vue'

const props = defineProps<{ label: string; hideLabel?: boolean; usual?: number }>()
/** Grams that need not be known, shown and read in the baker's own unit. */
const model = defineModel<number | null | undefined>()
const { massUnit, toMass, fromMass } = useUnits()
const shown = computed({
  get: () => (model.value == null ? model.value : toMass(model.value)),
  set: (value) => (model.value = value == null ? null : fromMass(value)),
})
const likely = computed(() =>
  props.usual === undefined ? undefined : Number(toMass(props.usual).toPrecision(3)),
)
</script>

<template>
  <MaybeField v-model="shown" :label="label" :unit="massUnit" :usual="likely" :hide-label="hideLabel" />
</template>
