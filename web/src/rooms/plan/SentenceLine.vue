<script setup lang="ts">
import { useId } from 'vue'
import { words } from '../../words'

defineProps<{ label: string; value: string; open: boolean; error?: string }>()
defineEmits<{ toggle: [] }>()
const id = useId()
</script>

<template>
  <div class="line" :class="{ open }">
    <button type="button" class="say" :aria-expanded="open" :aria-controls="id" @click="$emit('toggle')">
      <span class="small quiet">{{ label }}</span>
      <span class="value">{{ value }}</span>
      <span class="turn small">{{ open ? words.plan.done : words.plan.change }}</span>
    </button>
    <p v-if="error" class="error inverted small" role="alert">{{ error }}</p>
    <div v-if="open" :id="id" class="editor"><slot /></div>
  </div>
</template>

<style scoped>
.line {
  border-bottom: 1px solid var(--hairline);
}
.say {
  display: grid;
  grid-template-columns: 1fr auto;
  width: 100%;
  padding: 10px 0;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
}
.value {
  grid-column: 1 / 3;
  font: 620 1.0625rem/1.3 var(--show);
  letter-spacing: -0.005em;
}
.turn {
  grid-area: 1 / 2;
  opacity: 0;
  text-decoration: underline;
  text-underline-offset: 3px;
}
.say:hover .turn,
.say:focus-visible .turn,
.open .turn {
  opacity: 1;
}
.editor {
  display: grid;
  gap: 14px;
  padding: 4px 0 18px;
}
.error {
  margin-bottom: 10px;
  padding: 8px 10px;
  border-radius: var(--corner);
}
@media (hover: none) {
  .turn {
    opacity: 1;
  }
}
</style>
