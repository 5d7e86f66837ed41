<script setup lang="ts">
import { RouterLink } from 'vue-router'
import { words } from '../../words'

/** A page below the log: the way back above it; its heading out of sight until it has one of its own. */
defineProps<{ title: string; titled: boolean; to?: string; back?: string }>()
</script>

<template>
  <div class="page">
    <p class="no-print">
      <RouterLink :to="to ?? '/log'">{{ back ?? words.bakes.back }}</RouterLink>
    </p>
    <h1 v-if="!titled" class="out-of-sight">{{ title }}</h1>
    <slot />
  </div>
</template>

<style scoped>
.page {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  gap: 14px;
  max-width: 1160px;
  padding: 18px 28px 48px;
}
.page :deep(h1) {
  font-size: 2.75rem;
}
@media (max-width: 720px) {
  .page {
    padding: 12px 16px 32px;
  }
  .page :deep(h1) {
    font-size: 2.125rem;
  }
}
</style>
