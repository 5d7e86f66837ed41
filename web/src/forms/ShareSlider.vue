<script setup lang="ts">
import SliderField from './SliderField.vue'

defineProps<{ label: string; low: number; high: number }>()
const model = defineModel<number>({ required: true })
</script>

<template>
  <SliderField
    v-model="model"
    :label="label"
    :said="`${model.toFixed(1)} %`"
    :min="low"
    :max="high"
    :step="0.5"
    counts="share"
  />
</template>
