<script setup lang="ts">
import { area } from 'd3-shape'
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import { doughColour } from '../../charts/temperature'
import { useWidth } from '../../charts/useSize'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

type Way = Schemas['WayAnswer']
const props = defineProps<{ ways: Way[]; chosen: string | null }>()
const emit = defineEmits<{ take: [Way] }>()
const t = words.ways
const { dayClock, weekday, dayKey } = useUnits()
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 900)
const HIGH = 44
const LEFT = 178
const RIGHT = 236

const narrow = computed(() => width.value < 640)
const length = computed(() => (narrow.value ? width.value : width.value - LEFT - RIGHT))
const span = computed(() => {
  const points = props.ways.flatMap((way) => way.ribbon?.parts.flatMap((part) => part.points) ?? [])
  const ends = props.ways.flatMap((way) => way.ribbon?.bake.map((stage) => Date.parse(stage.end)) ?? [])
  const starts = points.map((point) => Date.parse(point.at))
  return { start: Math.min(...starts), end: Math.max(...ends) }
})
const x = (at: string | number) => {
  const time = typeof at === 'number' ? at : Date.parse(at)
  return ((time - span.value.start) / (span.value.end - span.value.start)) * length.value
}
/** Midnights on the common clock. */
const midnights = computed(() => {
  const found: { at: number; name: string }[] = []
  const quarter = 900_000
  for (let at = Math.ceil(span.value.start / quarter) * quarter; at < span.value.end; at += quarter)
    if (dayKey(at) !== dayKey(at - quarter)) found.push({ at, name: weekday(at).slice(0, 3) })
  return found
})
const rows = computed(() =>
  props.ways.map((way) => {
    const ribbon = way.ribbon
    if (!ribbon) return { way, parts: [], nights: [], bake: null }
    const most = 1 + ribbon.greatest_rise
    const parts = ribbon.parts.map((part) => {
      const shape = area<(typeof part.points)[number]>()
        .x((point) => x(point.at))
        .y0(0)
        .y1((point) => (-(1 + point.rise) / most) * (HIGH - 6))
      const step = Math.max(Math.floor(part.points.length / 12), 1)
      const stops = part.points
        .filter((_, index) => index % step === 0)
        .map((point) => ({ at: x(point.at), colour: doughColour(point.dough_c) }))
      const from = x(part.points[0]!.at)
      const to = x(part.points.at(-1)!.at)
      return { d: shape(part.points)!, from, to, stops }
    })
    const nights = ribbon.nights
      .map((night) => ({ from: Math.max(x(night.start), 0), to: Math.min(x(night.end), length.value) }))
      .filter((night) => night.to > night.from)
    const first = ribbon.bake[0]
    const bake = first ? { from: x(first.start), to: x(ribbon.bake.at(-1)!.end) } : null
    return { way, parts, nights, bake }
  }),
)
const hours = (value: number) =>
  value < 40 ? `${Math.round(value)} h` : `${(value / 24).toFixed(1)} ${t.days}`
const sure = (minutes: number) =>
  `±\u00a0${minutes < 100 ? `${Math.round(minutes / 2)}\u00a0min` : `${(minutes / 120).toFixed(1)}\u00a0h`}`
const trouble = (way: Way) => way.why_not || (way.problems[0] ? t.problems[way.problems[0].code] : '')
</script>

<template>
  <section ref="host" class="ways" :aria-label="t.title">
    <h2 v-if="ways.length">{{ t.title }}</h2>
    <ol>
      <li v-for="({ way, parts, nights, bake }, row) in rows" :key="way.style">
        <button
          type="button"
          class="way"
          :class="{ narrow }"
          :aria-pressed="chosen === way.style"
          :disabled="!way.ribbon"
          @click="emit('take', way)"
        >
          <span class="name">
            <strong>{{ way.title }}</strong>
            <span class="small quiet">{{ way.gives }}</span>
          </span>
          <svg :width="length" :height="HIGH + 2" aria-hidden="true">
            <defs>
              <linearGradient
                v-for="(part, index) in parts"
                :id="`way-${row}-${index}`"
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
                  :offset="(stop.at - part.from) / Math.max(part.to - part.from, 1)"
                  :stop-color="stop.colour"
                />
              </linearGradient>
            </defs>
            <g :transform="`translate(0 ${HIGH})`">
              <rect
                v-for="(night, index) in nights"
                :key="`n${index}`"
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
                :key="`p${index}`"
                class="body"
                :d="part.d"
                :fill="`url(#way-${row}-${index})`"
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
                :y="-HIGH + 12"
              >
                {{ midnight.name }}
              </text>
              <line class="base" x1="0" :x2="length" y1="0" y2="0" />
            </g>
          </svg>
          <span v-if="way.costs" class="costs small">
            <span v-if="trouble(way)" class="trouble">{{ trouble(way) }}</span>
            <span>{{ t.ready({ when: way.ready ? dayClock(way.ready) : '' }) }}</span>
            <span>
              {{ hours(way.costs.hours) }}, {{ way.costs.hands_on }} {{ t.hands }}, {{ way.costs.taste }},
              {{ sure(way.costs.spread_min) }}
            </span>
          </span>
          <span v-else class="costs small quiet">{{ way.why_not }}</span>
        </button>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.ways {
  min-width: 0;
  overflow: hidden;
}
h2 {
  font-size: 1.0625rem;
  margin-bottom: 4px;
}
li {
  border-top: 1px solid var(--hairline);
}
.way {
  display: grid;
  grid-template-columns: 166px auto 1fr;
  gap: 12px;
  align-items: center;
  width: 100%;
  padding: 8px 0;
  border: 0;
  background: none;
  text-align: left;
  line-height: 1.25;
  cursor: pointer;
}
.way.narrow {
  grid-template-columns: 1fr;
  gap: 4px;
}
.way:hover strong {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.way[aria-pressed='true'] strong::before {
  content: '';
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 7px;
  background: var(--ink);
}
.name,
.costs {
  display: grid;
}
.name .small,
.costs {
  font-size: 0.8125rem;
}
.trouble {
  font-weight: 650;
}
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
  stroke-width: 1;
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
