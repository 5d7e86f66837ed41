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

/** A culture from its last feed on: how high it stands over its start mark, when it is ripe, and how hungry it grows. */
const props = defineProps<{
  life: Schemas['LifeView']
  now: number
  looks: { at: string; rise: number }[]
  moves: { at: string; place: string }[]
}>()
const t = words.cultures
const { clock, degree, dayClock } = useUnits()
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 700)
const id = useId()
const LEFT = 30
const TOP = 46
const ACROSS = 168
const STRIP = 20
const BASE = TOP + ACROSS
const HEIGHT = BASE + STRIP + 30

const length = computed(() => Math.max(width.value - LEFT - 12, 240))
const start = computed(() => Date.parse(props.life.points[0]!.at))
const end = computed(() => Date.parse(props.life.points.at(-1)!.at))
const time = computed(() => clockScale(start.value, end.value, length.value, 52, clock))
const most = computed(() =>
  Math.max(1.35, ...props.life.points.map((point) => point.high), ...props.looks.map((look) => look.rise)),
)
const v = (rise: number) => -((1 + rise) / (1 + most.value)) * (ACROSS - 10)
type Point = Schemas['CulturePoint']
const before = computed(() => props.life.points.filter((point) => Date.parse(point.at) <= props.now))
const after = computed(() => props.life.points.filter((point) => Date.parse(point.at) >= props.now))
const shape = area<Point>()
  .x((point) => time.value.x(point.at))
  .y0(0)
  .y1((point) => v(point.rise))
const ridge = line<Point>()
  .x((point) => time.value.x(point.at))
  .y((point) => v(point.rise))
const soft = area<Point>()
  .x((point) => time.value.x(point.at))
  .y0((point) => v(point.low))
  .y1((point) => v(point.high))
const stops = computed(() => {
  const step = Math.max(Math.floor(props.life.points.length / 24), 1)
  return props.life.points
    .filter((_, index) => index % step === 0)
    .map((point) => ({ at: time.value.x(point.at) / length.value, colour: doughColour(point.culture_c) }))
})
const within = (at: number) => Math.min(Math.max(time.value.x(at), 0), length.value)
const nights = computed(() =>
  props.life.nights
    .map((night) => ({ from: within(Date.parse(night.start)), to: within(Date.parse(night.end)) }))
    .filter((night) => night.to > night.from),
)
const ripe = computed(() => {
  const { low, likely } = props.life.ripe
  if (!likely) return null
  const to = props.life.spent.likely ? Date.parse(props.life.spent.likely) : end.value
  const last = props.life.spent.high ? Date.parse(props.life.spent.high) : end.value
  const at = { low: Date.parse(low ?? likely), likely: Date.parse(likely), to, last }
  if (at.to < start.value) return null
  return {
    low: within(at.low),
    likely: within(at.likely),
    to: within(at.to),
    last: within(at.last),
    words: `${t.ripe} ${short(at.likely)}–${short(at.to)}`,
  }
})
const days = computed(() => end.value - start.value > 3 * 86_400_000)
const short = (at: number) => (days.value ? dayClock(at) : clock(at))
const ripeWordsAt = computed(() => {
  const span = ripe.value
  if (!span) return { x: 0, anchor: 'start' as const }
  const half = 70
  const middle = (span.likely + span.to) / 2
  if (middle < half) return { x: 0, anchor: 'start' as const }
  return middle > length.value - half
    ? { x: length.value, anchor: 'end' as const }
    : { x: middle, anchor: 'middle' as const }
})
/** Hunger as hatching that fills the strip: full when it wants a feed. */
const hunger = area<Point>()
  .x((point) => time.value.x(point.at))
  .y0(STRIP)
  .y1((point) => STRIP - Math.min(point.hunger, 1) * STRIP)
const hungryFrom = computed(() => {
  const point = props.life.points.find((each) => each.hunger >= 1)
  return point ? Date.parse(point.at) : null
})
const nowX = computed(() => within(props.now))
const summary = computed(() => {
  const { ripe: span, spent } = props.life
  const ready = span.likely ? `${t.ripe} ${dayClock(span.likely)}` : t.notRipe
  const past = spent.likely ? `, ${t.pastBy} ${dayClock(spent.likely)}` : ''
  return `${t.ribbon}: ${ready}${past}, ${degree(props.life.culture_c)}`
})
</script>

<template>
  <figure ref="host" class="culture-ribbon">
    <svg :width="width" :height="HEIGHT" role="img" :aria-label="summary">
      <defs>
        <linearGradient :id="`${id}-c`" gradientUnits="userSpaceOnUse" x1="0" :x2="length" y1="0" y2="0">
          <stop v-for="(stop, index) in stops" :key="index" :offset="stop.at" :stop-color="stop.colour" />
        </linearGradient>
        <pattern
          :id="`${id}-h`"
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line x1="0" x2="0" y1="0" y2="6" stroke="var(--ink)" stroke-width="2" />
        </pattern>
      </defs>
      <g :transform="`translate(${LEFT} ${BASE})`">
        <rect
          v-for="(night, index) in nights"
          :key="`n${index}`"
          class="night"
          :x="night.from"
          :y="-ACROSS"
          :width="night.to - night.from"
          :height="ACROSS"
        />
        <template v-for="times in [1, 2]" :key="times">
          <line class="scale" x1="0" :x2="length" :y1="v(times - 1)" :y2="v(times - 1)" />
          <text class="note" x="-6" :y="v(times - 1) + 4" text-anchor="end">×{{ times }}</text>
        </template>
        <path class="past" :d="shape(before) ?? ''" :fill="`url(#${id}-c)`" />
        <path class="future" :d="shape(after) ?? ''" :fill="`url(#${id}-c)`" />
        <path class="band" :d="soft(after) ?? ''" />
        <path class="ridge" :d="ridge(before) ?? ''" />
        <path class="ridge ahead" :d="ridge(after) ?? ''" />
        <g v-if="ripe">
          <rect class="soft" :x="ripe.low" y="-176" :width="Math.max(ripe.last - ripe.low, 2)" height="10" />
          <rect
            class="firm"
            :x="ripe.likely"
            y="-176"
            :width="Math.max(ripe.to - ripe.likely, 2)"
            height="10"
          />
          <text class="says" :x="ripeWordsAt.x" y="-184" :text-anchor="ripeWordsAt.anchor">
            {{ ripe.words }}
          </text>
        </g>
        <circle
          v-for="look in looks"
          :key="look.at"
          class="look"
          :cx="within(Date.parse(look.at))"
          :cy="v(look.rise)"
          r="5"
        />
        <g v-for="move in moves" :key="move.at" :transform="`translate(${within(Date.parse(move.at))} 0)`">
          <line class="move" y1="0" :y2="-ACROSS" />
          <text class="note" x="5" :y="-ACROSS + 14">{{ t.places[move.place] }}</text>
        </g>
        <line class="base" x1="0" :x2="length" y1="0" y2="0" />
        <g transform="translate(0 6)">
          <path :d="hunger(life.points) ?? ''" :fill="`url(#${id}-h)`" />
          <line class="scale" x1="0" :x2="length" :y1="STRIP" :y2="STRIP" />
          <text
            v-if="hungryFrom === null || within(hungryFrom) > 120"
            class="note haloed"
            x="4"
            :y="STRIP - 5"
          >
            {{ hungryFrom === null ? t.hungerNone : t.hunger }}
          </text>
          <text
            v-if="hungryFrom !== null"
            class="note haloed strong"
            :x="Math.min(within(hungryFrom) + 4, length - 4)"
            :y="STRIP - 5"
            :text-anchor="within(hungryFrom) > length - 150 ? 'end' : 'start'"
          >
            {{ hungryFrom <= start + 1 ? t.hungryWord : `${t.hungryFrom} ${dayClock(hungryFrom)}` }}
          </text>
        </g>
        <line class="now" :x1="nowX" :x2="nowX" :y1="-ACROSS" :y2="STRIP + 6" />
        <text
          class="now-word haloed"
          :x="nowX + (nowX > length - 40 ? -6 : 6)"
          y="-9"
          :text-anchor="nowX > length - 40 ? 'end' : 'start'"
        >
          {{ t.now }}
        </text>
        <ClockAxis :ticks="time.ticks" :transform="`translate(0 ${STRIP + 6})`" />
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
.past,
.future {
  stroke: none;
}
.future {
  opacity: 0.45;
}
.band {
  fill: var(--band);
}
.ridge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.ridge.ahead {
  stroke-dasharray: 5 4;
}
.soft {
  fill: var(--band);
}
.firm {
  fill: var(--ink);
}
.says {
  font: 650 1.0625rem var(--show);
  fill: var(--ink);
}
.look {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2.5;
}
.move {
  stroke: var(--ink);
  stroke-dasharray: 1 4;
}
.base {
  stroke: var(--ink);
  stroke-width: 2;
}
.now {
  stroke: var(--ink);
  stroke-width: 2;
}
.now-word,
.note {
  font: 400 0.8125rem var(--read);
  fill: var(--quiet);
}
.now-word {
  font-weight: 650;
}
.note.strong {
  font-weight: 650;
  fill: var(--ink);
}
.haloed {
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--flour);
  stroke-width: 5px;
  stroke-linejoin: round;
}
</style>
