<script setup lang="ts">
import CueDrawing from '../../charts/CueDrawing.vue'

/** One thing to see or smell: press what it is, press again to leave it open. */
defineProps<{ legend: string; values: Record<string, string>; drawn?: boolean }>()
const model = defineModel<string | null>({ required: true })
</script>

<template>
  <fieldset>
    <legend class="small quiet">{{ legend }}</legend>
    <button
      v-for="(label, value) in values"
      :key="value"
      type="button"
      class="cue"
      :class="{ on: model === value, drawn }"
      :aria-pressed="model === value"
      @click="model = model === value ? null : value"
    >
      <CueDrawing v-if="drawn" :of="value" />
      {{ label }}
    </button>
  </fieldset>
</template>

<style scoped>
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
legend {
  margin-bottom: 4px;
}
.cue {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  min-height: 48px;
  padding: 0 12px;
  border: 1.5px solid var(--quiet);
  border-radius: var(--corner);
  background: var(--paper);
  color: var(--ink);
  cursor: pointer;
}
.cue.drawn {
  padding: 4px 12px 4px 6px;
}
.cue.on {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--flour);
}
</style>
