<script setup lang="ts">
import { computed } from 'vue'
import { useUnits } from '../shell/units'

const props = defineProps<{ label: string; low: number; high: number }>()
const model = defineModel<number>({ required: true })
const { fahrenheit, toDegrees, fromDegrees, warmth } = useUnits()

const step = computed(() => (fahrenheit.value ? 1 : 0.5))
const shown = computed({
  get: () => Math.round(toDegrees(model.value) / step.value) * step.value,
  set: (value) => {
    model.value = Math.min(Math.max(Math.round(fromDegrees(value) * 100) / 100, props.low), props.high)
  },
})
</script>

<template>
  <div class="warmth">
    <div class="head">
      <span class="small quiet">{{ label }}</span>
      <output class="value">{{ warmth(model) }}</output>
    </div>
    <ElSlider
      v-model="shown"
      :min="Math.ceil(toDegrees(low))"
      :max="Math.floor(toDegrees(high))"
      :step="step"
      :show-tooltip="false"
      :aria-label="label"
      :format-value-text="() => warmth(model)"
    />
  </div>
</template>

<style scoped>
.warmth {
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
.warmth :deep(.el-slider) {
  padding-left: 12px;
}
</style>
