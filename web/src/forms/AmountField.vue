<script setup lang="ts">
import { useId } from 'vue'
import { useByHand } from './useByHand'

defineProps<{ label: string; low: number; high: number; step: number; digits?: number }>()
const model = defineModel<number>({ required: true })
const id = useId()
const { hand, byHand } = useByHand()
const took = (value: number | undefined) => byHand() && value != null && (model.value = value)
</script>

<template>
  <div v-bind="hand">
    <label class="small quiet" :for="id">{{ label }}</label>
    <ElInputNumber
      :id="id"
      :model-value="model"
      :min="Math.min(low, model)"
      :max="Math.max(high, model)"
      :step="step"
      :precision="digits ?? 0"
      :value-on-clear="low"
      @update:model-value="took"
    />
  </div>
</template>
