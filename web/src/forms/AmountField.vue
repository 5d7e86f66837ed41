<script setup lang="ts">
import { useId } from 'vue'

defineProps<{ label: string; low: number; high: number; step: number; digits?: number }>()
const model = defineModel<number>({ required: true })
const id = useId()
</script>

<template>
  <div>
    <label class="small quiet" :for="id">{{ label }}</label>
    <ElInputNumber
      :id="id"
      :model-value="model"
      :min="low"
      :max="high"
      :step="step"
      :precision="digits ?? 0"
      :value-on-clear="low"
      @update:model-value="(value: number | undefined) => value != null && (model = value)"
    />
  </div>
</template>
