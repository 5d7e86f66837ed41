<script setup lang="ts">
import { ref, useId, watch } from 'vue'

/** A number that need not be known: empty is null, and the usual figure stands behind it. */
const props = defineProps<{
  label: string
  unit?: string
  usual?: number
  hideLabel?: boolean
  digits?: number
  /** What the figure counts, if it is a percentage: shown on hover and focus. */
  counts?: string
}>()
const model = defineModel<number | null | undefined>()
const id = useId()
const shown = (value: number | null | undefined) =>
  value == null ? '' : String(Number(value.toFixed(props.digits ?? 2)))
const text = ref(shown(model.value))
watch(model, (value) => {
  const written = read(text.value)
  if (written === undefined || shown(written) !== shown(value)) text.value = shown(value)
})

/** Decimal comma and point are both read; undefined for what is no number: it is left standing until it is one. */
function read(written: string): number | null | undefined {
  if (written.trim() === '') return null
  const value = Number(written.trim().replace(',', '.'))
  return Number.isNaN(value) ? undefined : value
}

function take() {
  const value = read(text.value)
  if (value !== undefined && value !== model.value) model.value = value
}
</script>

<template>
  <div class="number">
    <label class="small quiet" :class="{ 'out-of-sight': hideLabel }" :for="id">{{ label }}</label>
    <div class="row" :data-counts="counts">
      <ElInput
        :id="id"
        v-model="text"
        class="figure"
        inputmode="decimal"
        autocomplete="off"
        maxlength="9"
        :placeholder="usual === undefined ? '' : String(usual)"
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
.figure {
  width: 4.9rem;
}
.figure :deep(.el-input__inner) {
  text-align: right;
  font-weight: 600;
}
.figure :deep(.el-input__inner::placeholder) {
  font-weight: 400;
}
.unit {
  min-width: 16px;
}
</style>
