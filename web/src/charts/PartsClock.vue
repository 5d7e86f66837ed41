<script setup lang="ts">
import { area } from 'd3-shape'
import { computed, ref, useId } from 'vue'
import type { Plan } from '../api/client'
import { useUnits } from '../shell/units'
import { words } from '../words'
import { doughColour } from './temperature'
import { useWidth } from './useSize'

/** The ways that the pieces of one dough go, one under the other on one clock, from where they part to the oven. */
const props = defineProps<{ plan: Plan }>()
const t = words.plan
const id = useId()
const { dayClock, weekday, dayKey } = useUnits()
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 900)
const HIGH = 48
const NAMES = 178

const narrow = computed(() => width.value < 640)
const length = computed(() => Math.max(narrow.value ? width.value : width.value - NAMES, 120))
const span = computed(() => {
  const starts = props.plan.outs.flatMap((out) =>
    out.ribbon.slice(0, 1).map((part) => Date.parse(part.points[0]!.at)),
  )
  return { start: Math.min(...starts), end: Math.max(...props.plan.outs.map((out) => Date.parse(out.out))) }
})
const x = (at: string | number) => {
  const time = typeof at === 'number' ? at : Date.parse(at)
  return ((time - span.value.start) / (span.value.end - span.value.start)) * length.value
}
const midnights = computed(() => {
  const quarter = 900_000
  const found: { at: number; name: string }[] = []
  for (let at = Math.ceil(span.value.start / quarter) * quarter; at < span.value.end; at += quarter)
    if (dayKey(at) !== dayKey(at - quarter)) found.push({ at, name: weekday(at).slice(0, 3) })
  return found
})
const nights = computed(() =>
  props.plan.ribbon.nights
    .map((night) => ({ from: Math.max(x(night.start), 0), to: Math.min(x(night.end), length.value) }))
    .filter((night) => night.to > night.from),
)
const most = computed(
  () =>
    1 +
    Math.max(
      0.5,
      ...props.plan.outs.flatMap((out) => out.ribbon.flatMap((part) => part.points.map((p) => p.rise))),
    ),
)
const rows = computed(() =>
  props.plan.outs.map((out) => ({
    out,
    parts: out.ribbon.map((part) => {
      const [from, to] = [x(part.points[0]!.at), x(part.points.at(-1)!.at)]
      const shape = area<(typeof part.points)[number]>()
        .x((point) => x(point.at))
        .y0(0)
        .y1((point) => (-(1 + point.rise) / most.value) * (HIGH - 4))
      const stops = part.points.map((point) => ({
        offset: (x(point.at) - from) / Math.max(to - from, 1),
        colour: doughColour(point.dough_c),
      }))
      return { d: shape(part.points)!, from, to, stops }
    }),
    bake: out.load ? { from: x(out.load), to: x(out.out) } : null,
  })),
)
const drawn = computed(() => props.plan.outs.some((out) => out.ribbon.length))
</script>

<template>
  <section ref="host" class="parts-clock" :class="{ narrow }" :aria-label="t.waysOfPieces">
    <ul>
      <li v-for="({ out, parts, bake }, row) in rows" :key="out.name">
        <span class="name">
          <strong>{{ out.name }}</strong>
          <span>{{ t.says.partOut({ pieces: out.pieces, when: dayClock(out.out) }) }}</span>
        </span>
        <svg v-if="drawn" :width="length" :height="HIGH + 2" aria-hidden="true">
          <defs>
            <linearGradient
              v-for="(part, index) in parts"
              :id="`${id}-${row}-${index}`"
              :key="index"
              gradientUnits="userSpaceOnUse"
              :x1="part.from"
              :x2="part.to"
              y1="0"
              y2="0"
            >
              <stop
                v-for="(stop, place) in part.stops"
                :key="place"
                :offset="stop.offset"
                :stop-color="stop.colour"
              />
            </linearGradient>
          </defs>
          <g :transform="`translate(0 ${HIGH})`">
            <rect
              v-for="(night, index) in nights"
              :key="index"
              class="night"
              :x="night.from"
              :y="-HIGH"
              :width="night.to - night.from"
              :height="HIGH"
            />
            <line
              v-for="midnight in midnights"
              :key="midnight.at"
              class="midnight"
              :x1="x(midnight.at)"
              :x2="x(midnight.at)"
              y1="0"
              :y2="-HIGH"
            />
            <path
              v-for="(part, index) in parts"
              :key="index"
              class="body"
              :d="part.d"
              :fill="`url(#${id}-${row}-${index})`"
            />
            <rect
              v-if="bake"
              class="bake"
              :x="bake.from"
              :y="-HIGH + 6"
              :width="Math.max(bake.to - bake.from, 3)"
              :height="HIGH - 6"
            />
            <text
              v-for="midnight in row === 0 ? midnights : []"
              :key="`t${midnight.at}`"
              class="day"
              :x="x(midnight.at) + 4"
              :y="-HIGH - 4"
            >
              {{ midnight.name }}
            </text>
            <line class="base" x1="0" :x2="length" y1="0" y2="0" />
          </g>
        </svg>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.parts-clock {
  min-width: 0;
  overflow: hidden;
}
li {
  display: grid;
  grid-template-columns: 166px auto;
  gap: 12px;
  align-items: center;
  padding: 4px 0;
}
li:first-child {
  padding-top: 18px;
}
svg {
  overflow: visible;
}
.narrow li {
  grid-template-columns: 1fr;
  gap: 2px;
}
.name {
  display: grid;
  line-height: 1.25;
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
