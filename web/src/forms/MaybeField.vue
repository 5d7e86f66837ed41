<script setup lang="ts">
import { ref, useId, watch } from 'vue'

/** A number that need not be known: empty is null, and the usual figure stands behind it. */
defineProps<{ label: string; unit?: string; usual?: number }>()
const model = defineModel<number | null | undefined>()
const id = useId()
const text = ref(model.value == null ? '' : String(model.value))
const read = (written: string) => Number(written.trim().replace(',', '.'))
watch(model, (value) => {
  if (value == null ? text.value.trim() !== '' : read(text.value) !== value)
    text.value = value == null ? '' : String(value)
})
function take() {
  const value = read(text.value)
  if (text.value.trim() === '') model.value = null
  else if (!Number.isNaN(value)) model.value = value
}
</script>

<template>
  <div>
    <label class="small quiet" :for="id">{{ label }}</label>
    <div class="row">
      <input
        :id="id"
        v-model="text"
        class="field"
        inputmode="decimal"
        autocomplete="off"
        maxlength="9"
        :placeholder="usual === undefined ? '' : String(usual)"
        @input="take"
        @blur="text = model == null ? '' : String(model)"
      />
      <span v-if="unit" class="small quiet">{{ unit }}</span>
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
.field::placeholder {
  color: var(--quiet);
  font-weight: 400;
}
</style>
