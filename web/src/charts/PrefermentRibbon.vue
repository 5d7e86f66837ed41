<script setup lang="ts">
import { area, line } from 'd3-shape'
import { computed, ref, useId } from 'vue'
import type { Schemas } from '../api/client'
import { useUnits } from '../shell/units'
import { words } from '../words'
import ClockAxis from './ClockAxis.vue'
import { clockScale } from './clockScale'
import { doughColour } from './temperature'
import { useWidth } from './useSize'

/** A yeasted preferment through its night: rise with its band, temperature as colour, and when it is ripe. */
const props = defineProps<{ found: Schemas['DoseAnswer']; now: number }>()
const t = words.cultures
const { clock, dayClock } = useUnits()
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 800)
const id = useId()
const HIGH = 120
const TOP = 30
const LEFT = 28
const length = computed(() => Math.max(width.value - LEFT - 10, 220))
const origin = computed(() => Date.parse(props.found.origin))
const instant = (hours: number) => origin.value + hours * 3_600_000
const points = computed(() => props.found.dose.points)
const time = computed(() =>
  clockScale(instant(points.value[0]!.at_h), instant(points.value.at(-1)!.at_h), length.value, 46, clock),
)
const x = (hours: number) => time.value.x(instant(hours))
const most = computed(() => Math.max(1.2, ...points.value.map((point) => point.high)))
const y = (rise: number) => -((1 + rise) / (1 + most.value)) * (HIGH - 6)
type Point = Schemas['DosePoint']
const body = area<Point>()
  .x((point) => x(point.at_h))
  .y0(0)
  .y1((point) => y(point.rise))
const soft = area<Point>()
  .x((point) => x(point.at_h))
  .y0((point) => y(point.low))
  .y1((point) => y(point.high))
const ridge = line<Point>()
  .x((point) => x(point.at_h))
  .y((point) => y(point.rise))
const stops = computed(() => {
  const step = Math.max(Math.floor(points.value.length / 20), 1)
  return points.value
    .filter((_, index) => index % step === 0)
    .map((point) => ({ at: x(point.at_h) / length.value, colour: doughColour(point.preferment_c) }))
})
const within = (value: number) => Math.min(Math.max(value, 0), length.value)
const nights = computed(() =>
  props.found.nights
    .map((night) => ({ from: within(time.value.x(night.start)), to: within(time.value.x(night.end)) }))
    .filter((night) => night.to > night.from),
)
const ripe = computed(() => {
  const { ripe: span, spent } = props.found.dose
  const likely = span.likely ?? 0
  return {
    low: within(x(span.low ?? likely)),
    likely: within(x(likely)),
    to: within(x(spent.likely ?? likely + 2)),
    last: within(x(spent.high ?? span.high ?? likely + 3)),
  }
})
const name = computed(() => `${t.ripe} ${dayClock(instant(props.found.dose.ripe.likely ?? 0))}`)
</script>

<template>
  <figure ref="host">
    <svg :width="width" :height="TOP + HIGH + 26" role="img" :aria-label="name">
      <defs>
        <linearGradient :id="id" gradientUnits="userSpaceOnUse" x1="0" :x2="length" y1="0" y2="0">
          <stop v-for="(stop, index) in stops" :key="index" :offset="stop.at" :stop-color="stop.colour" />
        </linearGradient>
      </defs>
      <g :transform="`translate(${LEFT} ${TOP + HIGH})`">
        <rect
          v-for="(night, index) in nights"
          :key="index"
          class="night"
          :x="night.from"
          :y="-HIGH"
          :width="night.to - night.from"
          :height="HIGH"
        />
        <template v-for="times in [1, 2]" :key="times">
          <line class="scale" x1="0" :x2="length" :y1="y(times - 1)" :y2="y(times - 1)" />
          <text class="note" x="-6" :y="y(times - 1) + 4" text-anchor="end">×{{ times }}</text>
        </template>
        <path :d="body(points) ?? ''" :fill="`url(#${id})`" />
        <path class="band" :d="soft(points) ?? ''" />
        <path class="ridge" :d="ridge(points) ?? ''" />
        <rect
          class="soft"
          :x="ripe.low"
          :y="-HIGH - 14"
          :width="Math.max(ripe.last - ripe.low, 2)"
          height="10"
        />
        <rect
          class="firm"
          :x="ripe.likely"
          :y="-HIGH - 14"
          :width="Math.max(ripe.to - ripe.likely, 2)"
          height="10"
        />
        <text class="says" :x="Math.min(ripe.likely, length - 60)" :y="-HIGH - 18">{{ t.ripe }}</text>
        <line class="base" x1="0" :x2="length" y1="0" y2="0" />
        <ClockAxis :ticks="time.ticks" />
      </g>
    </svg>
  </figure>
</template>

<style scoped>
svg {
  display: block;
  overflow: visible;
}
.night {
  fill: var(--night);
}
.scale {
  stroke: var(--hairline);
}
.band,
.soft {
  fill: var(--band);
}
.ridge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.firm {
  fill: var(--leaf);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.says {
  font: 650 0.9375rem var(--read);
  fill: var(--ink);
}
.base {
  stroke: var(--ink);
  stroke-width: 2;
}
.note {
  font: 400 0.8125rem var(--read);
  fill: var(--quiet);
}
.note.strong {
  font-weight: 650;
  fill: var(--ink);
}
</style>
