<script setup lang="ts">
import MaybeField from './MaybeField.vue'

/** A number that is always known: an emptied field keeps what it was. */
defineProps<{ label: string; unit?: string; hideLabel?: boolean; digits?: number; counts?: string }>()
const model = defineModel<number>({ required: true })
</script>

<template>
  <MaybeField
    v-bind="{ label, unit, hideLabel, digits, counts }"
    :model-value="model"
    @update:model-value="(value) => value != null && (model = value)"
  />
</template>
