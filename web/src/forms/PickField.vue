<script setup lang="ts" generic="T extends string">
defineProps<{ label: string; options: { value: T; label: string }[]; hideLabel?: boolean }>()
const model = defineModel<T>({ required: true })
</script>

<template>
  <label class="pick">
    <span class="small quiet" :class="{ 'out-of-sight': hideLabel }">{{ label }}</span>
    <select v-model="model" class="field">
      <option v-for="option in options" :key="option.value" :value="option.value">{{ option.label }}</option>
    </select>
  </label>
</template>

<style scoped>
.pick {
  display: grid;
  min-width: 0;
}
select {
  appearance: none;
  min-width: 0;
  padding-right: 30px;
  text-overflow: ellipsis;
  cursor: pointer;
  background-image:
    linear-gradient(45deg, transparent 50%, var(--ink) 50%),
    linear-gradient(-45deg, transparent 50%, var(--ink) 50%);
  background-position:
    right 17px center,
    right 11px center;
  background-size: 6px 6px;
  background-repeat: no-repeat;
}
</style>
