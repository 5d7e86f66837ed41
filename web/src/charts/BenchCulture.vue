<script setup lang="ts">
import { area, curveMonotoneX, line } from 'd3-shape'
import { computed, useId } from 'vue'
import { RouterLink } from 'vue-router'
import type { Schemas } from '../api/client'
import { useUnits } from '../shell/units'
import { stateOf } from '../rooms/cultures/stateOf'
import RibbonDefs from './RibbonDefs.vue'
import { doughColour } from './temperature'

/** A culture that is awake, thin and on the same clock as the doughs: its height, and when it is ripe. */
const props = defineProps<{
  culture: Schemas['CultureLine']
  x: (at: number | string) => number
  length: number
  now: number
}>()
const units = useUnits()
const id = useId()
const TALL = 40
type Point = Schemas['CulturePoint']
const points = computed(() => props.culture.life!.points)
const most = computed(() => Math.max(1, ...points.value.map((point) => point.rise)))
const y = (rise: number) => -((1 + rise) / (1 + most.value)) * TALL
const body = area<Point>()
  .curve(curveMonotoneX)
  .x((point) => props.x(point.at))
  .y0(0)
  .y1((point) => y(point.rise))
const ridge = line<Point>()
  .curve(curveMonotoneX)
  .x((point) => props.x(point.at))
  .y((point) => y(point.rise))
const before = computed(() => points.value.filter((point) => Date.parse(point.at) <= props.now))
const after = computed(() => points.value.filter((point) => Date.parse(point.at) >= props.now))
const part = computed(() => {
  const start = props.x(points.value[0]!.at)
  const end = props.x(points.value.at(-1)!.at)
  const stops = points.value.map((point) => ({
    offset: (props.x(point.at) - start) / Math.max(end - start, 1),
    colour: doughColour(point.culture_c),
  }))
  return { id: 'culture', start, end, stops }
})
const ripe = computed(() => {
  const { ripe: from, spent: to } = props.culture.life!
  if (!from.likely) return null
  const start = props.x(from.likely)
  return { start, end: Math.max(to.likely ? props.x(to.likely) : props.length, start + 2) }
})
</script>

<template>
  <RouterLink :to="`/cultures/${culture.id}`" class="row">
    <span class="label">
      <strong>{{ culture.culture.name }}</strong>
      <span class="quiet">{{ stateOf(culture, units, now) }}</span>
    </span>
    <svg :width="length + 12" :height="TALL + 12" aria-hidden="true">
      <defs>
        <clipPath :id="`${id}-all`"><rect x="0" y="-60" :width="length + 12" height="80" /></clipPath>
      </defs>
      <RibbonDefs :id="id" :down="false" :parts="[part]" :bake="{ start: 0, end: 1 }" />
      <g :transform="`translate(0 ${TALL + 4})`" :clip-path="`url(#${id}-all)`">
        <path :d="body(before) ?? ''" :fill="`url(#${id}-culture)`" />
        <path :d="body(after) ?? ''" :fill="`url(#${id}-culture)`" opacity="0.42" />
        <path class="edge" :d="ridge(before) ?? ''" />
        <path class="edge ahead" :d="ridge(after) ?? ''" />
        <line v-if="ripe" class="ripe" :x1="ripe.start" :x2="ripe.end" y1="0" y2="0" />
        <line class="base" x1="0" :x2="length + 12" y1="0" y2="0" />
      </g>
    </svg>
  </RouterLink>
</template>

<style scoped>
.row {
  display: flex;
  border-top: 1px solid var(--hairline);
  text-decoration: none;
}
.label {
  display: grid;
  align-content: center;
  flex: none;
  width: 252px;
  padding: 2px 16px;
  font-size: 1.0625rem;
  line-height: 1.2;
}
.row:hover strong {
  text-decoration: underline;
}
svg {
  display: block;
  overflow: visible;
}
.edge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.edge.ahead {
  stroke-dasharray: 5 4;
}
.base {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.ripe {
  stroke: var(--ink);
  stroke-width: 7;
}
@media (max-width: 720px) {
  .row {
    display: block;
  }
  .label {
    position: relative;
    z-index: 1;
    width: auto;
    padding: 6px 0 2px;
    background: var(--flour);
  }
}
</style>
