<script setup lang="ts">
defineProps<{ label: string; said: string; min: number; max: number; step: number; counts?: string }>()
const model = defineModel<number>({ required: true })
</script>

<template>
  <div class="slide">
    <div class="head">
      <span class="small quiet">{{ label }}</span>
      <output class="value" :data-counts="counts">{{ said }}</output>
    </div>
    <ElSlider
      v-model="model"
      :min="min"
      :max="max"
      :step="step"
      :show-tooltip="false"
      :aria-label="label"
      :format-value-text="() => said"
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
