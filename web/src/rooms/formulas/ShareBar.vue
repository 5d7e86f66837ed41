<script setup lang="ts">
import { computed } from 'vue'
import type { FormulaAnswer } from '../../api/client'
import { words } from '../../words'

const props = defineProps<{ answer: FormulaAnswer }>()

/** Shares of the whole dough by weight; the preferment's part hatched, since it ferments first. */
const parts = computed(() => {
  const { weighed } = props.answer
  const all: { key: string; name: string; g: number; tone: string; first: boolean }[] = []
  for (const stage of weighed.stages) {
    for (const line of stage.lines) {
      if (line.role === 'levain' || line.role === 'preferment') continue
      const tone = line.role === 'flour' ? 'flour' : line.role === 'water' ? 'water' : 'other'
      all.push({
        key: stage.kind + line.kind,
        name: line.name,
        g: line.g,
        tone,
        first: stage.kind !== 'dough',
      })
    }
  }
  return all.map((part) => ({ ...part, share: (100 * part.g) / weighed.dough_g }))
})
</script>

<template>
  <figure class="bar" role="img" :aria-label="words.formulas.bar">
    <div
      v-for="part in parts"
      :key="part.key"
      class="part"
      :class="[part.tone, { first: part.first }]"
      :style="{ flexGrow: part.share }"
    >
      <span v-if="part.share > 12">{{ part.name }}</span>
    </div>
  </figure>
</template>

<style scoped>
.bar {
  display: flex;
  height: 64px;
  border: 1.5px solid var(--ink);
}
.part {
  flex: 1 1 0;
  min-width: 2px;
  overflow: hidden;
  border-right: 1px solid var(--ink);
}
.part:last-child {
  border: 0;
}
.part span {
  display: block;
  overflow: hidden;
  text-overflow: ellipsis;
  padding: 6px 8px;
  font-size: 13px;
  line-height: 1.2;
  font-weight: 600;
  color: #1c2522;
}
.flour {
  background: #ece5cd;
}
.water {
  background: #a9c3cf;
}
.other {
  background: #55625c;
}
.first {
  background-image: repeating-linear-gradient(135deg, rgb(28 37 34 / 0.16) 0 2px, transparent 2px 7px);
}
</style>
