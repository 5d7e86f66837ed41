<script setup lang="ts">
import { area } from 'd3-shape'
import { computed, useId } from 'vue'
import type { Schemas } from '../api/client'
import BodyGradients from './BodyGradients.vue'
import { doughColour } from './temperature'

/** A finished bake as a small ribbon: its dough's volume and warmth over the hours, and the oven at its end. */
const props = defineProps<{
  drawn: Schemas['Drawn']
  /** Px of an hour: bakes in one list share it. */
  hour: number
  high: number
}>()
const id = useId()
const MOST = 2.6
const x = (minutes: number) => (minutes / 60) * props.hour
const total = computed(() => x((Date.parse(props.drawn.end) - Date.parse(props.drawn.start)) / 60_000))
const load = computed(() => x((Date.parse(props.drawn.load) - Date.parse(props.drawn.start)) / 60_000))
const width = computed(() => Math.max(Math.ceil(total.value), 24))
const bodies = computed(() =>
  props.drawn.parts
    .filter((part) => part.points.length > 1)
    .map((part) => {
      const shape = area<number[]>()
        .x((point) => x(point[0]!))
        .y0(props.high)
        .y1((point) => props.high - (Math.min(1 + point[1]!, MOST) / MOST) * (props.high - 3))
      const [from, to] = [x(part.points[0]![0]!), x(part.points.at(-1)![0]!)]
      const stops = part.points.map((point) => ({
        offset: (x(point[0]!) - from) / Math.max(to - from, 1),
        colour: doughColour(point[2]!),
      }))
      return { d: shape(part.points)!, from, to, stops }
    }),
)
</script>

<template>
  <svg :width="width" :height="high + 2" aria-hidden="true">
    <BodyGradients :id="id" :bodies="bodies" />
    <path
      v-for="(part, index) in bodies"
      :key="index"
      class="dough"
      :d="part.d"
      :fill="`url(#${id}-body-${index})`"
    />
    <rect class="oven" :x="load" y="6" :width="Math.max(width - load, 3)" :height="high - 6" />
    <line class="base" x1="0" :x2="width" :y1="high" :y2="high" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  flex: none;
}
.dough {
  stroke: var(--ink);
  stroke-width: 1;
}
.oven {
  fill: var(--ink);
}
.base {
  stroke: var(--ink);
  stroke-width: 1.5;
}
</style>
