<script setup lang="ts">
import { words } from '../../words'

/** A piece of work on a culture, opened in place: its title takes the focus, and it can be closed again. */
defineProps<{ title: string }>()
const emit = defineEmits<{ close: [] }>()
</script>

<template>
  <section class="desk">
    <header>
      <h2 tabindex="-1">{{ title }}</h2>
      <ElButton class="link" @click="emit('close')">{{ words.cultures.close }}</ElButton>
    </header>
    <slot />
  </section>
</template>

<style scoped>
.desk {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  padding: 14px 0 18px;
  border-top: 1.5px solid var(--ink);
  border-bottom: 1.5px solid var(--ink);
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
h2:focus {
  outline: none;
}
.desk :deep(h3) {
  font-size: 1.0625rem;
  font-weight: 650;
}
.desk :deep(.line) {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 18px;
  align-items: end;
}
.desk :deep(.at) {
  width: 92px;
}
.desk :deep(.error) {
  padding: 10px 14px;
  border-radius: var(--corner);
}
.desk :deep(summary) {
  display: flex;
  align-items: center;
  min-height: 44px;
  text-decoration: underline;
  cursor: pointer;
}
</style>
