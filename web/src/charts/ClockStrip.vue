<script setup lang="ts">
import { area } from 'd3-shape'
import { computed, useId } from 'vue'
import type { Plan } from '../api/client'
import { useUnits } from '../shell/units'
import BodyGradients from './BodyGradients.vue'
import { doughColour } from './temperature'

type Ribbon = Plan['ribbon']
type Part = Ribbon['parts'][number]

/** A dough's way to the oven on a clock that several share: nights, midnights, its volume and warmth, its bake. */
const props = defineProps<{
  parts: Part[]
  nights: Ribbon['nights']
  bake: { start: string; end: string } | null
  /** What the clock shows, in milliseconds, and how long it is drawn. */
  span: { start: number; end: number }
  length: number
  high: number
  /** The greatest volume that is drawn, over the volume without gas. */
  most: number
  /** Whether the days are named, above the drawing. */
  named: boolean
}>()
const id = useId()
const { weekday, dayKey } = useUnits()

const x = (at: string | number) => {
  const time = typeof at === 'number' ? at : Date.parse(at)
  return ((time - props.span.start) / (props.span.end - props.span.start)) * props.length
}
const midnights = computed(() => {
  const found: { at: number; name: string }[] = []
  const quarter = 900_000
  for (let at = Math.ceil(props.span.start / quarter) * quarter; at < props.span.end; at += quarter)
    if (dayKey(at) !== dayKey(at - quarter)) found.push({ at, name: weekday(at).slice(0, 3) })
  return found
})
const dark = computed(() =>
  props.nights
    .map((night) => ({ from: Math.max(x(night.start), 0), to: Math.min(x(night.end), props.length) }))
    .filter((night) => night.to > night.from),
)
const bodies = computed(() =>
  props.parts.map((part) => {
    const shape = area<Part['points'][number]>()
      .x((point) => x(point.at))
      .y0(0)
      .y1((point) => (-(1 + point.rise) / props.most) * (props.high - 6))
    const [from, to] = [x(part.points[0]!.at), x(part.points.at(-1)!.at)]
    const step = Math.max(Math.floor(part.points.length / 12), 1)
    const stops = part.points
      .filter((_, index) => index % step === 0)
      .map((point) => ({
        offset: (x(point.at) - from) / Math.max(to - from, 1),
        colour: doughColour(point.dough_c),
      }))
    return { d: shape(part.points)!, from, to, stops }
  }),
)
</script>

<template>
  <svg :width="length" :height="high + 2" aria-hidden="true">
    <BodyGradients :id="id" :bodies="bodies" />
    <g :transform="`translate(0 ${high})`">
      <rect
        v-for="(night, index) in dark"
        :key="`n${index}`"
        class="night"
        :x="night.from"
        :y="-high"
        :width="night.to - night.from"
        :height="high"
      />
      <line
        v-for="midnight in midnights"
        :key="midnight.at"
        class="midnight"
        :x1="x(midnight.at)"
        :x2="x(midnight.at)"
        y1="0"
        :y2="-high"
      />
      <path
        v-for="(part, index) in bodies"
        :key="`p${index}`"
        class="body"
        :d="part.d"
        :fill="`url(#${id}-body-${index})`"
      />
      <rect
        v-if="bake"
        class="bake"
        :x="x(bake.start)"
        :y="-high + 6"
        :width="Math.max(x(bake.end) - x(bake.start), 3)"
        :height="high - 6"
      />
      <text
        v-for="midnight in named ? midnights : []"
        :key="`t${midnight.at}`"
        class="day"
        :x="x(midnight.at) + 4"
        :y="-high - 4"
      >
        {{ midnight.name }}
      </text>
      <line class="base" x1="0" :x2="length" y1="0" y2="0" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  overflow: visible;
}
.night {
  fill: var(--night);
}
.midnight {
  stroke: var(--quiet);
  stroke-dasharray: 1 3;
}
.body {
  stroke: var(--ink);
}
.bake {
  fill: var(--ink);
}
.base {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.day {
  font: 600 0.8125rem var(--read);
  fill: var(--quiet);
}
</style>
