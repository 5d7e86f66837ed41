<script setup lang="ts">
import { words } from '../words'

defineProps<{ of: string; disabled?: boolean }>()
const emit = defineEmits<{ remove: [] }>()
</script>

<template>
  <button
    type="button"
    class="gone"
    :disabled="disabled"
    :aria-label="`${words.formulas.remove}: ${of}`"
    :title="words.formulas.remove"
    @click="emit('remove')"
  >
    <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true"><path d="M3 3L13 13M13 3L3 13" /></svg>
  </button>
</template>

<style scoped>
.gone {
  display: grid;
  place-items: center;
  width: 44px;
  height: 44px;
  padding: 0;
  border: 0;
  border-radius: var(--corner);
  background: none;
  cursor: pointer;
}
.gone:hover {
  background: var(--hairline);
}
.gone:disabled {
  visibility: hidden;
}
path {
  stroke: var(--ink);
  stroke-width: 1.8;
  stroke-linecap: round;
}
</style>
