<script setup lang="ts">
defineProps<{ label: string; low: number; high: number }>()
const model = defineModel<number>({ required: true })
</script>

<template>
  <div class="share">
    <div class="head">
      <span class="small quiet">{{ label }}</span>
      <output class="value" data-counts="share">{{ model.toFixed(1) }} %</output>
    </div>
    <ElSlider
      v-model="model"
      :min="low"
      :max="high"
      :step="0.5"
      :show-tooltip="false"
      :aria-label="label"
      :format-value-text="() => `${model} %`"
    />
  </div>
</template>

<style scoped>
.share {
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
.share :deep(.el-slider) {
  padding-left: 12px;
}
</style>
