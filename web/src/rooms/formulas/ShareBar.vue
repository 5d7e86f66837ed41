<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import type { FormulaAnswer } from '../../api/client'
import { words } from '../../words'

/** Shares of the whole dough by weight, what ferments first hatched; each edge can be dragged if `editable`. */
const props = defineProps<{ answer: FormulaAnswer; editable?: boolean }>()
const emit = defineEmits<{ share: [line: string, share: number] }>()

const parts = computed(() => {
  const { weighed, totals, formula } = props.answer
  const first = new Map<string, number>()
  for (const stage of weighed.stages.slice(0, formula.preferments.length))
    for (const line of stage.lines) first.set(line.kind, (first.get(line.kind) ?? 0) + line.g)
  return totals
    .filter((total) => total.share > 0)
    .map((total) => {
      const flour = total.line.startsWith('flours.') ? formula.flours[Number(total.line.slice(7))] : null
      const kind = flour ? (flour.mine?.id ?? flour.kind) : total.line
      const tone = flour ? 'flour' : total.line === 'water' ? 'water' : 'other'
      return { ...total, tone, first: Math.min((first.get(kind) ?? 0) / total.g, 1) }
    })
})
/** Which line an edge moves: that on its left, but the water where the flours end. */
const edges = computed(() => {
  if (!props.editable) return []
  let at = 0
  const flours = parts.value.filter((part) => part.tone === 'flour').length
  return parts.value.slice(0, -1).flatMap((part, index) => {
    at += part.share
    const right = parts.value[index + 1]!
    const grows = part.tone !== 'flour' || (right.tone === 'flour' && flours > 1)
    const moved = grows ? part : right
    if (moved.line === 'preferment_yeast') return []
    return [{ key: index, at, sign: grows ? 1 : -1, line: moved.line, name: moved.name, share: moved.share }]
  })
})

const bar = ref<HTMLElement | null>(null)
const { width } = useElementSize(bar)
const LETTER_PX = 8
const PADDED_PX = 16
const named = (name: string) =>
  Math.max(...name.split(' ').map((word) => word.length)) * LETTER_PX + PADDED_PX
/** A name stands in its part where its longest word fits, the percent where three lines do; else the rows tell. */
const fits = (part: { name: string; share: number }) => part.share * width.value >= named(part.name)
let from: { x: number; share: number; width: number } | null = null
const clamp = (share: number) => Math.min(Math.max(share, 0), 0.85)

function grab(event: PointerEvent, share: number) {
  const target = event.currentTarget as HTMLElement
  target.setPointerCapture(event.pointerId)
  from = { x: event.clientX, share, width: bar.value?.clientWidth ?? 1 }
}
function drag(event: PointerEvent, line: string, sign: number) {
  if (!from) return
  emit('share', line, clamp(from.share + (sign * (event.clientX - from.x)) / from.width))
}
/** An edge on a line's own right side is a slider for the keyboard too; that on its left is for the hand alone. */
const slider = (edge: { name: string; share: number }) => ({
  role: 'slider',
  'aria-label': `${edge.name}: ${words.formulas.shareOf}`,
  'aria-valuenow': Math.round(edge.share * 1000) / 10,
  'aria-valuemin': 0,
  'aria-valuemax': 85,
})
const steps: Record<string, number> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }
function step(event: KeyboardEvent, line: string, sign: number, share: number) {
  const way = steps[event.key]
  if (!way) return
  event.preventDefault()
  const size = event.shiftKey ? 0.01 : 0.0025
  emit('share', line, clamp(share + sign * way * size))
}
</script>

<template>
  <div ref="bar" class="bar" :role="editable ? 'group' : 'img'" :aria-label="words.formulas.bar">
    <div
      v-for="part in parts"
      :key="part.line"
      class="part"
      :class="part.tone"
      :style="{ flexGrow: part.share }"
    >
      <span v-if="part.first" class="first" :style="{ width: `${part.first * 100}%` }"></span>
      <span v-if="fits(part)" class="word"
        >{{ part.name }}<b v-if="part.share > 0.07">{{ (part.share * 100).toFixed(0) }} %</b></span
      >
    </div>
    <component
      :is="edge.sign > 0 ? 'button' : 'span'"
      v-for="edge in edges"
      :key="edge.key"
      :type="edge.sign > 0 ? 'button' : undefined"
      class="edge"
      :style="{ left: `${edge.at * 100}%` }"
      :title="edge.name"
      v-bind="edge.sign > 0 ? slider(edge) : {}"
      @pointerdown="(event: PointerEvent) => grab(event, edge.share)"
      @pointermove="(event: PointerEvent) => drag(event, edge.line, edge.sign)"
      @pointerup="from = null"
      @pointercancel="from = null"
      @keydown="(event: KeyboardEvent) => step(event, edge.line, edge.sign, edge.share)"
    ></component>
  </div>
</template>

<style scoped>
.bar {
  position: relative;
  display: flex;
  height: 76px;
  border: 1.5px solid var(--ink);
}
.part {
  position: relative;
  flex: 1 1 0;
  min-width: 2px;
  overflow: hidden;
  border-right: 1px solid var(--ink);
}
.part:last-of-type {
  border: 0;
}
.word {
  position: relative;
  display: block;
  padding: 5px 8px;
  font-size: 0.8125rem;
  line-height: 1.3;
  font-weight: 600;
  color: #1c2522;
}
.word b {
  display: block;
  font-weight: 400;
}
.flour {
  background: #ece5cd;
}
.water {
  background: #a9c3cf;
}
.other {
  background: #c3c9c4;
}
.first {
  position: absolute;
  inset: auto auto 0 0;
  height: 20px;
  border: solid rgb(28 37 34 / 0.55);
  border-width: 1px 1px 0 0;
  background-image: repeating-linear-gradient(135deg, rgb(28 37 34 / 0.16) 0 2px, transparent 2px 7px);
}
.edge {
  position: absolute;
  top: -6px;
  bottom: -6px;
  width: 24px;
  margin-left: -12px;
  padding: 0;
  border: 0;
  background: none;
  cursor: ew-resize;
  touch-action: none;
}
.edge::after {
  content: '';
  position: absolute;
  left: 10px;
  top: 0;
  bottom: 0;
  width: 4px;
  border-radius: 2px;
  background: var(--ink);
}
.edge:hover::after,
.edge:focus-visible::after {
  left: 9px;
  width: 6px;
}
</style>
