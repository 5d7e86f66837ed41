<script setup lang="ts">
import { ref, useId, watch } from 'vue'

const props = defineProps<{
  label: string
  unit?: string
  hideLabel?: boolean
  digits?: number
  /** What the figure counts, if it is a percentage: shown on hover and focus. */
  counts?: string
}>()
const model = defineModel<number>({ required: true })
const id = useId()
const shown = (value: number) => String(Number(value.toFixed(props.digits ?? 2)))
const text = ref(shown(model.value))
watch(model, (value) => {
  const written = read(text.value)
  if (written === null || shown(written) !== shown(value)) text.value = shown(value)
})

/** Decimal comma and point are both read; what is no number is left standing until it is one. */
function read(written: string): number | null {
  const value = Number(written.trim().replace(',', '.'))
  return written.trim() === '' || Number.isNaN(value) ? null : value
}

function take() {
  const value = read(text.value)
  if (value !== null) model.value = value
}
</script>

<template>
  <div class="number">
    <label class="small quiet" :class="{ 'out-of-sight': hideLabel }" :for="id">{{ label }}</label>
    <div class="row" :data-counts="counts">
      <input
        :id="id"
        v-model="text"
        class="field"
        inputmode="decimal"
        autocomplete="off"
        maxlength="9"
        @input="take"
        @blur="text = shown(model)"
      />
      <span v-if="unit" class="small quiet unit">{{ unit }}</span>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  gap: 6px;
}
.field {
  width: 78px;
  padding: 0 8px;
  text-align: right;
  font-weight: 600;
}
.unit {
  min-width: 16px;
}
</style>
