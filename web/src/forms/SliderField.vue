<script setup lang="ts">
import { useByHand } from './useByHand'

defineProps<{ label: string; said: string; min: number; max: number; step: number; counts?: string }>()
const model = defineModel<number>({ required: true })
const { hand, byHand } = useByHand()
const slid = (value: number | number[]) => byHand() && (model.value = Number(value))
</script>

<template>
  <div class="slide" v-bind="hand">
    <div class="head">
      <span class="small quiet">{{ label }}</span>
      <output class="value" :data-counts="counts">{{ said }}</output>
    </div>
    <ElSlider
      :model-value="model"
      :min="Math.min(min, model)"
      :max="Math.max(max, model)"
      :step="step"
      :show-tooltip="false"
      :aria-label="label"
      :format-value-text="() => said"
      @update:model-value="slid"
    />
  </div>
</template>

<style scoped>
.slide {
  padding-right: 12px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
.value {
  font-weight: 650;
}
.slide :deep(.el-slider) {
  padding-left: 12px;
}
</style>
