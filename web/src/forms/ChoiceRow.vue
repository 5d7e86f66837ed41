<script setup lang="ts" generic="T extends string">
import { useId } from 'vue'

defineProps<{ legend: string; options: { value: T; label: string }[] }>()
const model = defineModel<T>({ required: true })
const name = useId()
</script>

<template>
  <fieldset class="choice">
    <legend class="small quiet">{{ legend }}</legend>
    <div class="options">
      <label v-for="option in options" :key="option.value" :class="{ on: option.value === model }">
        <input v-model="model" type="radio" :name="name" :value="option.value" />
        <span>{{ option.label }}</span>
      </label>
    </div>
  </fieldset>
</template>

<style scoped>
legend {
  padding: 0 0 4px;
}
.options {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
label {
  position: relative;
  display: grid;
  place-items: center;
  min-height: 44px;
  padding: 4px 12px;
  border: 1.5px solid var(--quiet);
  border-radius: var(--corner);
  cursor: pointer;
}
label.on {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--flour);
  font-weight: 600;
}
label:focus-within {
  outline: 3px solid var(--ink);
  outline-offset: 2px;
}
input {
  position: absolute;
  opacity: 0;
  inset: 0;
  margin: 0;
  cursor: pointer;
}
</style>
