<script setup lang="ts">
import { ref } from 'vue'
import type { Schemas } from '../../api/client'
import ReadingFields from '../../forms/ReadingFields.vue'
import type { BenchDough } from '../../shell/bench'
import { words } from '../../words'
import SheetFrame from './SheetFrame.vue'

/** A reading of the dough: its rise by eye, line or jar, or its temperature. */
const props = defineProps<{ dough: BenchDough }>()
const emit = defineEmits<{ close: []; read: [Record<string, unknown>] }>()
const MEASURES: Schemas['ReadingBody']['measure'][] = ['percent', 'line_ml', 'heights_mm', 'celsius']
const fields = ref<{ read: () => Record<string, unknown> } | null>(null)
const start = {
  percent: Math.round(100 * (props.dough.standing.rise ?? 0.3)),
  line: 2,
  first: 30,
  height: 45,
}
</script>

<template>
  <SheetFrame :title="words.bench.read" :lead="dough.name" @close="emit('close')">
    <form class="form" @submit.prevent="fields && emit('read', fields.read())">
      <ReadingFields ref="fields" :measures="MEASURES" :start="start" />
      <button type="submit" class="action">{{ words.bench.keep }}</button>
    </form>
  </SheetFrame>
</template>

<style scoped>
.form {
  display: grid;
  gap: 16px;
  max-width: 520px;
  font-size: 19px;
}
.action {
  min-height: 60px;
  font-size: 20px;
}
</style>
