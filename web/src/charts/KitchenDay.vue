<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { area, curveMonotoneX } from 'd3-shape'
import { computed, ref } from 'vue'
import type { Schemas } from '../api/client'
import { useUnits } from '../shell/units'
import { words } from '../words'
import { doughColour, onDough } from './temperature'
import { useWidth } from './useSize'

/** The kitchen's own day, from noon to noon: how warm it is by the hour, the fridge, and who sleeps when. */
const props = defineProps<{ day: Schemas['DayAnswer']; fridgeC: number; from: string; to: string }>()
const t = words.kitchen
const { warmth } = useUnits()
const frame = ref<HTMLElement | null>(null)
const width = useWidth(frame, 900)
const TALL = 168
const THICK = 30
const COLD = 18
const RIGHT = 8
/** So wide a night holds the word beside its hours. */
const ROOM_TO_SAY = 150

const x = computed(() => scaleLinear([12, 36], [RIGHT, width.value - RIGHT]))
const reach = computed(() => {
  const all = props.day.warmth.map((each) => each.room_c)
  return [Math.min(...all), Math.max(...all)] as const
})
const y = computed(() => {
  const [low, high] = reach.value
  const spare = Math.max(0, 3 - (high - low)) / 2
  return scaleLinear([low - spare, high + spare], [92, 46])
})
const points = computed(() =>
  props.day.warmth.map((each) => [x.value(each.hour), y.value(each.room_c)] as const),
)
const body = computed(
  () =>
    area<readonly [number, number]>()
      .x((each) => each[0])
      .y0((each) => each[1] + THICK / 2)
      .y1((each) => each[1] - THICK / 2)
      .curve(curveMonotoneX)([...points.value]) ?? '',
)
const shades = computed(() =>
  props.day.warmth
    .filter((_, place) => place % 4 === 0)
    .map((each) => ({ at: `${((each.hour - 12) / 24) * 100}%`, colour: doughColour(each.room_c) })),
)
/** Sleep that runs over noon is drawn at both ends. */
const asleep = computed(() => {
  const { asleep_from_h: from, asleep_to_h: to } = props.day
  const parts = [[from, Math.min(to, 36)] as const]
  if (to > 36) parts.push([12, to - 24])
  return parts.map(([start, end]) => ({ x: x.value(start), wide: x.value(end) - x.value(start) }))
})
/** Figures where they say most: the warmest and the coldest hour. */
const marks = computed(() => {
  const [low, high] = reach.value
  const find = (c: number) => props.day.warmth.findLast((each) => Math.abs(each.room_c - c) < 0.05)!
  const { warmth: all } = props.day
  const coldest = all[Math.max(all.indexOf(find(low)) - 6, 0)]!
  const wanted = high - low < 0.5 ? [all[6]!] : [coldest, all[6]!]
  return wanted.map((each) => ({
    x: Math.min(Math.max(x.value(each.hour), 34), width.value - 34),
    y: y.value(each.room_c),
    c: each.room_c,
  }))
})
const ticks = computed(() => {
  const step = width.value < 480 ? 6 : 3
  return Array.from({ length: 24 / step + 1 }, (_, place) => 12 + place * step).map((hour) => ({
    x: Math.min(Math.max(x.value(hour), 12), width.value - 12),
    says: String(hour % 24).padStart(2, '0'),
  }))
})
const said = computed(() => {
  const [low, high] = reach.value
  return t.daySaid({
    high: warmth(high),
    low: warmth(low),
    from: props.from,
    to: props.to,
    fridge: warmth(props.fridgeC),
  })
})
</script>

<template>
  <figure ref="frame" class="kitchen-day">
    <svg :width="width" :height="TALL" role="img" :aria-label="said">
      <defs>
        <linearGradient id="kitchen-warmth">
          <stop v-for="shade in shades" :key="shade.at" :offset="shade.at" :stop-color="shade.colour" />
        </linearGradient>
      </defs>
      <g v-for="(part, place) in asleep" :key="place">
        <rect class="night" :x="part.x" y="0" :width="part.wide" :height="TALL - 24" />
      </g>
      <text v-if="asleep[0]" class="says" :x="asleep[0].x + 10" y="18">
        <template v-if="asleep[0].wide > ROOM_TO_SAY">{{ t.asleep }}</template>
        {{ from }}–{{ to }}
      </text>
      <path class="room-warmth" :d="body" fill="url(#kitchen-warmth)" />
      <g v-for="mark in marks" :key="mark.x">
        <text class="figure" :x="mark.x" :y="mark.y + 6" text-anchor="middle" :fill="onDough(mark.c)">
          {{ warmth(mark.c) }}
        </text>
      </g>
      <rect
        class="fridge"
        :x="RIGHT"
        :y="TALL - 50"
        :width="Math.max(width - 2 * RIGHT, 0)"
        :height="COLD"
        :fill="doughColour(fridgeC)"
      />
      <text class="cold" :x="RIGHT + 10" :y="TALL - 36.5" :fill="onDough(fridgeC)">
        {{ t.fridge }} {{ warmth(fridgeC) }}
      </text>
      <g class="axis" :transform="`translate(0 ${TALL - 22})`">
        <line :x1="0" :x2="width" />
        <g v-for="tick in ticks" :key="tick.x" :transform="`translate(${tick.x} 0)`">
          <line y2="5" />
          <text y="19" text-anchor="middle">{{ tick.says }}</text>
        </g>
      </g>
    </svg>
  </figure>
</template>

<style scoped>
.kitchen-day {
  overflow: hidden;
}
svg {
  display: block;
}
.night {
  fill: var(--night);
}
.room-warmth,
.fridge {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.says,
.axis text {
  font: 400 0.8125rem var(--read);
  fill: var(--quiet);
}
.figure {
  font: 700 1.0625rem var(--show);
}
.cold {
  font: 650 0.8125rem var(--read);
}
.axis line {
  stroke: var(--quiet);
}
</style>
