<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import type { Schemas } from '../api/client'
import { useUnits } from '../shell/units'
import { words } from '../words'
import { crustColour } from './temperature'
import { spaced } from './timeline'
import { useWidth } from './useSize'

type Stage = Schemas['OvenStageBody']
/** A bake over its minutes: the set point a ridge, the chamber behind it, the core beneath, the crust along the bottom. */
const props = defineProps<{ bake: Schemas['OvenBakeAnswer']; stages: Stage[]; still?: boolean }>()
const emit = defineEmits<{ change: [Stage[]] }>()
const t = words.oven
const id = useId()
const frame = ref<HTMLElement | null>(null)
const width = useWidth(frame, 720)
const { warmth, degree, toDegrees, say } = useUnits()

const LEFT = 46
const RIGHT = 74
const TOP = 58
const HIGH = 300
const STRIP = 26
const HEIGHT = TOP + HIGH + STRIP + 84
const bottom = TOP + HIGH
const top = computed(() => {
  const hottest = Math.max(...props.stages.map((stage) => stage.setpoint_c), props.bake.preheat_c, 200)
  return Math.ceil((hottest + 25) / 25) * 25
})
const before = computed(() => props.bake.preheat_min)
const minutes = computed(() => props.stages.reduce((sum, stage) => sum + stage.minutes, 0))
/** While a handle is held, the axis keeps still under it. */
const frozen = ref<number | null>(null)
const axis = computed(() => Math.max(frozen.value ?? minutes.value, 1))
/** Heating is long and the same throughout: it has a fifth of the width, and its own measure. */
const squeezed = computed(() => (before.value > 0 ? 0.2 : 0))
const inner = computed(() => Math.max(width.value - LEFT - RIGHT, 200))
const loadX = computed(() => LEFT + squeezed.value * inner.value)
const wideHeating = computed(() => loadX.value - LEFT > 76)
function x(minute: number) {
  if (minute < 0) return LEFT + (1 + minute / before.value) * squeezed.value * inner.value
  return loadX.value + (minute / axis.value) * (1 - squeezed.value) * inner.value
}
const y = (c: number) => bottom - (Math.min(Math.max(c, 0), top.value) / top.value) * HIGH
const points = computed(() => props.bake.curve.filter((point) => point.min <= minutes.value + 0.01))
const path = (read: (point: Schemas['OvenMinute']) => number, from = -999) =>
  points.value
    .filter((point) => point.min >= from)
    .map((point, index) => `${index ? 'L' : 'M'}${x(point.min).toFixed(1)} ${y(read(point)).toFixed(1)}`)
    .join('')
const lines = computed(() => [
  { key: 'chamber', d: path((point) => point.chamber) },
  { key: 'vessel', d: path((point) => point.vessel) },
  { key: 'crust', d: path((point) => point.crust, 0) },
  { key: 'core', d: path((point) => point.core, 0) },
])
const land = computed(
  () => `${path((point) => point.chamber)}L${x(minutes.value)} ${bottom}L${x(-before.value)} ${bottom}Z`,
)
const spans = computed(() => {
  let at = 0
  return props.stages.map((stage) => {
    const from = at
    at += stage.minutes
    return { stage, from, to: at }
  })
})
const ridge = computed(() => {
  const parts = before.value > 0 ? [`M${x(-before.value)} ${y(props.bake.preheat_c)}H${loadX.value}`] : []
  spans.value.forEach(({ stage, from, to }, index) =>
    parts.push(`${parts.length || index ? 'L' : 'M'}${x(from)} ${y(stage.setpoint_c)}H${x(to)}`),
  )
  return parts.join('')
})
const steam = computed(() => {
  const wet = points.value.filter((point) => point.min >= 0 && point.vapour > 0.12)
  if (wet.length < 2) return ''
  const rim = wet.map((point) => `L${x(point.min)} ${y(point.vapour * 0.5 * top.value)}`).join('')
  return `M${x(wet[0]!.min)} ${bottom}${rim}L${x(wet.at(-1)!.min)} ${bottom}Z`
})
const browning = computed(() => points.value.filter((point) => point.min >= 0))
const ticks = computed(() => {
  const step = minutes.value > 75 ? 20 : minutes.value > 30 ? 10 : 5
  const found = Array.from({ length: Math.floor(minutes.value / step) + 1 }, (_, index) => index * step)
  return found.filter((minute) => minute === 0 || x(minutes.value) - x(minute) > 52)
})
const grid = computed(() => {
  const found = []
  for (let c = 50; c <= top.value; c += 50) found.push(c)
  return found
})
const last = computed(() => points.value.at(-1))
const doors = computed(() =>
  spans.value
    .filter(({ stage }, index) => index === 0 || (props.stages[index - 1]!.covered && !stage.covered))
    .map(({ from }) => from),
)
/** What hands do on the way, each a mark at its minute; its words stand where they have room. */
const ALWAYS = new Set(['preheat', 'load', 'check', 'out'])
const hands = computed(() =>
  props.bake.touches
    .filter((touch) => !ALWAYS.has(touch.kind) || touch.what)
    .map((touch, rank) => ({ u: x(Math.max(touch.minute, -before.value)), rank, title: say(touch.title) })),
)
const handsSaid = computed(() => spaced(hands.value, 86))
/** Names at the right end, pushed apart so that none lies on another. */
const names = computed(() => {
  if (!last.value) return []
  const found = [
    { key: 'chamber', c: last.value.chamber },
    { key: 'vessel', c: last.value.vessel },
    { key: 'crust', c: last.value.crust },
    { key: 'core', c: last.value.core },
  ]
    .map((each) => ({ ...each, at: y(each.c) }))
    .sort((a, b) => a.at - b.at)
  found.forEach((each, index) => {
    if (index) each.at = Math.max(each.at, found[index - 1]!.at + 34)
  })
  return found
})
const named = (stage: Stage, index: number) => {
  if (stage.setpoint_c <= 0) return t.off
  if (stage.covered) return props.bake.lidded ? t.lidOn : t.steaming
  return index && props.stages[index - 1]!.covered ? (props.bake.lidded ? t.lidOff : t.vented) : t.open
}

let held: { index: number; what: 'end' | 'heat' } | null = null
function grab(event: PointerEvent, index: number, what: 'end' | 'heat') {
  if (props.still) return
  held = { index, what }
  frozen.value = minutes.value
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
}
function release() {
  held = null
  frozen.value = null
}
function drag(event: PointerEvent) {
  if (!held || !frame.value) return
  const box = frame.value.getBoundingClientRect()
  const { index, what } = held
  if (what === 'heat') {
    set(index, 'setpoint_c', Math.round((((bottom - (event.clientY - box.top)) / HIGH) * top.value) / 5) * 5)
  } else {
    const along = (event.clientX - box.left - loadX.value) / ((1 - squeezed.value) * inner.value)
    set(index, 'minutes', Math.round(along * axis.value - spans.value[index]!.from))
  }
}
function set(index: number, what: 'minutes' | 'setpoint_c', value: number) {
  const low = what === 'minutes' ? 1 : 100
  const high = what === 'minutes' ? 180 : 320
  const kept = Math.min(Math.max(value, low), high)
  if (props.stages[index]![what] === kept) return
  emit(
    'change',
    props.stages.map((stage, each) => (each === index ? { ...stage, [what]: kept } : stage)),
  )
}
function key(event: KeyboardEvent, index: number, what: 'minutes' | 'setpoint_c') {
  const step = what === 'minutes' ? 1 : 5
  const by = ['ArrowUp', 'ArrowRight'].includes(event.key)
    ? step
    : ['ArrowDown', 'ArrowLeft'].includes(event.key)
      ? -step
      : 0
  if (!by) return
  event.preventDefault()
  set(index, what, props.stages[index]![what] + by)
}
const summary = computed(() =>
  t.drawn({
    minutes: Math.round(minutes.value),
    core: last.value ? warmth(last.value.core) : '',
    shade: props.bake.end.shade,
  }),
)
</script>

<template>
  <div ref="frame" class="frame">
    <svg
      :width="width"
      :height="HEIGHT"
      :viewBox="`0 0 ${width} ${HEIGHT}`"
      role="group"
      :aria-label="summary"
      @pointermove="drag"
      @pointerup="release"
      @pointercancel="release"
    >
      <defs>
        <pattern
          :id="`${id}-steam`"
          width="7"
          height="7"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <line x1="0" y1="0" x2="0" y2="7" stroke="var(--steam)" stroke-width="1.4" />
        </pattern>
        <linearGradient
          :id="`${id}-crust`"
          gradientUnits="userSpaceOnUse"
          :x1="loadX"
          :x2="x(minutes)"
          y1="0"
          y2="0"
        >
          <stop
            v-for="(point, index) in browning"
            :key="index"
            :offset="point.min / Math.max(minutes, 1)"
            :stop-color="crustColour(point.colour / 100)"
          />
        </linearGradient>
      </defs>
      <g aria-hidden="true">
        <g v-for="c in grid" :key="c">
          <line :x1="LEFT" :x2="width - RIGHT" :y1="y(c)" :y2="y(c)" class="grid" />
          <text :x="LEFT - 8" :y="y(c) + 5" class="axis end">{{ degree(c) }}</text>
        </g>
        <path :d="land" class="land" />
        <path v-if="steam" :d="steam" :fill="`url(#${id}-steam)`" class="steam" />
        <line
          v-for="(span, index) in spans"
          :key="index"
          :x1="x(span.from)"
          :x2="x(span.from)"
          :y1="TOP - 8"
          :y2="bottom"
          class="edge"
        />
        <path v-for="line in lines" :key="line.key" :d="line.d" class="line" :class="line.key" />
        <path v-if="!bake.by_wood" :d="ridge" class="ridge" />
        <g v-for="minute in doors" :key="`d${minute}`">
          <path :d="`M${x(minute) - 5} ${TOP - 2}h10l-5 8z`" class="door" />
        </g>
        <text v-if="wideHeating" :x="x(-before)" :y="TOP - 36" class="stage">{{ t.heating }}</text>
        <text v-if="wideHeating" :x="x(-before)" :y="TOP - 17" class="axis">
          {{ Math.round(before) }} min
        </text>
        <g v-for="({ stage, from, to }, index) in spans" :key="`s${index}`">
          <text v-if="x(to) - x(from) > 58" :x="x(from) + 8" :y="TOP - 36" class="stage">
            {{ named(stage, index) }}
          </text>
          <text v-if="x(to) - x(from) > 58" :x="x(from) + 8" :y="TOP - 17" class="axis">
            {{ Math.round(stage.minutes) }} min
            <tspan v-if="!bake.by_wood && stage.setpoint_c > 0 && x(to) - x(from) > 104">
              · {{ degree(stage.setpoint_c) }}
            </tspan>
          </text>
        </g>
        <g v-for="name in names" :key="name.key">
          <text :x="width - RIGHT + 16" :y="name.at + 2" class="name">{{ t.lines[name.key] }}</text>
          <text
            :x="width - RIGHT + 16"
            :y="name.at + 18"
            class="axis"
            :class="{ strong: name.key === 'core' }"
          >
            {{ degree(Math.round(name.c)) }}
          </text>
        </g>
        <rect
          :x="loadX"
          :y="bottom + 8"
          :width="Math.max(x(minutes) - loadX, 0)"
          :height="STRIP - 8"
          :fill="`url(#${id}-crust)`"
          class="crust-strip"
        />
        <text :x="loadX - 8" :y="bottom + 22" class="axis end">{{ before > 0 ? t.lines.crust : '' }}</text>
        <text :x="width - RIGHT + 16" :y="bottom + 22" class="axis">{{ bake.end.shade }}</text>
        <line :x1="LEFT" :x2="width - RIGHT" :y1="bottom" :y2="bottom" class="floor" />
        <g v-for="minute in ticks" :key="`t${minute}`">
          <line :x1="x(minute)" :x2="x(minute)" :y1="bottom + STRIP" :y2="bottom + STRIP + 6" class="edge" />
          <text :x="x(minute)" :y="bottom + STRIP + 22" class="axis middle">
            {{ minute === 0 ? t.loaded : minute }}
          </text>
        </g>
        <text :x="x(minutes)" :y="bottom + STRIP + 22" class="axis middle strong">
          {{ t.outAt({ min: Math.round(minutes) }) }}
        </text>
        <path
          v-for="(hand, index) in hands"
          :key="`m${index}`"
          :d="`M${hand.u - 5} ${bottom + STRIP + 38}h10l-5 -8z`"
          class="door"
        />
        <text
          v-for="hand in handsSaid"
          :key="`w${hand.u}`"
          :x="hand.u"
          :y="bottom + STRIP + 54"
          class="axis middle"
        >
          {{ hand.title }}
        </text>
        <text v-if="before > 0" :x="LEFT" :y="bottom + STRIP + 22" class="axis">
          −{{ Math.round(before) }}
        </text>
      </g>
      <g v-if="!still" class="no-print">
        <g v-for="({ stage, from, to }, index) in spans" :key="`h${index}`">
          <g
            v-if="stage.setpoint_c > 0 && !bake.by_wood"
            role="slider"
            tabindex="0"
            class="handle heat"
            :transform="`translate(${x((from + to) / 2)} ${y(stage.setpoint_c)})`"
            :aria-label="t.heatOf({ stage: named(stage, index) })"
            :aria-valuenow="Math.round(toDegrees(stage.setpoint_c))"
            :aria-valuetext="warmth(stage.setpoint_c)"
            aria-orientation="vertical"
            @pointerdown="grab($event, index, 'heat')"
            @keydown="key($event, index, 'setpoint_c')"
          >
            <rect class="reach" x="-22" y="-22" width="44" height="44" />
            <circle r="9" />
          </g>
          <g
            role="slider"
            tabindex="0"
            class="handle ends"
            :transform="`translate(${x(to)} ${y(stage.setpoint_c || 100) + 31})`"
            :aria-label="t.endOf({ stage: named(stage, index) })"
            :aria-valuenow="Math.round(stage.minutes)"
            :aria-valuetext="`${Math.round(stage.minutes)} min`"
            aria-orientation="horizontal"
            @pointerdown="grab($event, index, 'end')"
            @keydown="key($event, index, 'minutes')"
          >
            <rect class="reach" x="-22" y="-22" width="44" height="44" />
            <rect x="-5" y="-17" width="10" height="34" rx="3" />
          </g>
        </g>
      </g>
    </svg>
  </div>
</template>

<style scoped>
.frame {
  width: 100%;
  touch-action: pan-y;
}
svg {
  display: block;
  overflow: visible;
}
.grid {
  stroke: var(--hairline);
}
.axis,
.name,
.stage {
  font-size: 0.8125rem;
  fill: var(--quiet);
}
.axis.strong {
  fill: var(--ink);
  font-weight: 650;
}
.name {
  fill: var(--ink);
}
.stage {
  fill: var(--ink);
  font-size: 0.9375rem;
  font-weight: 650;
}
.end {
  text-anchor: end;
}
.middle {
  text-anchor: middle;
}
.land {
  fill: var(--band);
  opacity: 0.45;
}
.steam {
  opacity: 0.55;
}
.edge {
  stroke: var(--quiet);
  stroke-width: 1;
}
.floor {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.line {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.line.chamber {
  stroke-width: 1;
  stroke: var(--quiet);
}
.line.vessel {
  stroke-dasharray: 7 4;
}
.line.crust {
  stroke-dasharray: 1.5 4;
  stroke-linecap: round;
  stroke-width: 2;
}
.line.core {
  stroke-width: 3.5;
}
.ridge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}
.door {
  fill: var(--ink);
}
.crust-strip {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.handle {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2.5;
  touch-action: none;
}
/* What a finger needs, around what the eye wants. */
.handle .reach {
  fill: transparent;
  stroke: none;
}
.heat {
  cursor: ns-resize;
}
.ends {
  cursor: ew-resize;
}
.handle:hover,
.handle:focus-visible {
  fill: var(--ink);
}
</style>
