<script setup lang="ts">
defineProps<{ label: string }>()
const model = defineModel<boolean>({ required: true })
</script>

<template>
  <label class="tick"><input v-model="model" type="checkbox" /> {{ label }}</label>
</template>

<style scoped>
.tick {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
  cursor: pointer;
}
input {
  width: 22px;
  height: 22px;
  margin: 0;
  accent-color: var(--ink);
}
</style>
