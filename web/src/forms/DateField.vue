<script setup lang="ts">
import { useId } from 'vue'

/** A calendar day, 2026-11-28; empty for none. */
defineProps<{ label: string }>()
const model = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <div class="date-field">
    <label class="small quiet" :for="id">{{ label }}</label>
    <ElDatePicker
      :id="id"
      :model-value="model || undefined"
      type="date"
      value-format="YYYY-MM-DD"
      format="D MMM YYYY"
      :aria-label="label"
      @update:model-value="(value: string | null) => (model = value ?? '')"
    />
  </div>
</template>

<style scoped>
.date-field {
  display: grid;
}
</style>
