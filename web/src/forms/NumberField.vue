<script setup lang="ts">
import { ref, useId, watch } from 'vue'

defineProps<{ label: string; unit?: string; hideLabel?: boolean }>()
const model = defineModel<number>({ required: true })
const id = useId()
const text = ref(String(model.value))
watch(model, (value) => {
  if (read(text.value) !== value) text.value = String(value)
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
    <div class="row">
      <input
        :id="id"
        v-model="text"
        class="field"
        inputmode="decimal"
        autocomplete="off"
        maxlength="9"
        @input="take"
        @blur="text = String(model)"
      />
      <span v-if="unit" class="small quiet">{{ unit }}</span>
    </div>
  </div>
</template>

<style scoped>
.row {
  display: flex;
  align-items: center;
  gap: 8px;
}
.field {
  width: 92px;
  text-align: right;
  font-weight: 600;
}
</style>
