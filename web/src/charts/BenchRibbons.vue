<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import type { Schemas } from '../api/client'
import type { BenchDough, LiveStep } from '../shell/bench'
import { useUnits } from '../shell/units'
import { words } from '../words'
import { benchShapes, benchSpan } from './benchShapes'
import BenchCulture from './BenchCulture.vue'
import ClockAxis from './ClockAxis.vue'
import { clockScale } from './clockScale'
import RibbonDefs from './RibbonDefs.vue'
import { onDough } from './temperature'
import { useMedia, useWidth } from './useSize'

/** Every dough at the bench over one clock: past solid, future translucent, now a line through all of them. */
const props = defineProps<{
  doughs: BenchDough[]
  cultures: Schemas['CultureLine'][]
  now: number
  chosen: string | null
  /** How many hours to come are shown, if not those of a working day. */
  ahead?: number
}>()
const emit = defineEmits<{ choose: [string] }>()
const t = words.bench
const { clock, degree } = useUnits()
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 900)
const narrow = useMedia('(max-width: 720px)')
const id = useId()
const RIGHT = 12
const LABEL = computed(() => (narrow.value ? 0 : 252))
const TALL = computed(() => (props.doughs.length > 2 ? 70 : 104))
const ROOM = 26

const length = computed(() => Math.max(width.value - LABEL.value - RIGHT, 200))
const span = computed(() =>
  benchSpan(props.doughs, props.now, narrow.value ? 3 : 6, props.ahead ?? (narrow.value ? 9 : 15)),
)
const scale = computed(() => clockScale(span.value.start, span.value.end, length.value, 44, clock))
const nowX = computed(() => scale.value.x(props.now))
const nights = computed(() =>
  [
    ...new Map(
      props.doughs.flatMap((dough) => dough.ribbon.nights).map((night) => [night.start, night]),
    ).values(),
  ]
    .map((night) => ({
      x: Math.max(scale.value.x(night.start), 0),
      to: Math.min(scale.value.x(night.end), length.value),
    }))
    .filter((night) => night.to - night.x > 4),
)
/** A row for each dough, and one more for each part of it that goes its own way. */
const rows = computed(() =>
  props.doughs.flatMap((dough) => [
    rowOf(dough, null),
    ...dough.outs.slice(1).map((part) => rowOf(dough, part)),
  ]),
)
type Part = BenchDough['outs'][number]
function ovenOf(dough: BenchDough, part: Part | null) {
  if (!part) return dough.ribbon.bake
  return part.load ? [{ start: part.load, end: part.out, covered: false, setpoint_c: 0, name: '' }] : []
}
function rowOf(dough: BenchDough, part: Part | null) {
  const x = (at: string) => scale.value.x(at)
  const shapes = benchShapes(dough, (at) => scale.value.x(at), TALL.value, part?.ribbon)
  const shown = (step: LiveStep) => x(step.at) > -4 && x(step.at) < length.value + 4
  const later = dough.outs.slice(1).map((each) => each.name)
  const own = dough.steps.filter((step) => (part ? step.part === part.name : !later.includes(step.part)))
  const bake = ovenOf(dough, part)
  return {
    key: `${dough.id} ${part?.name ?? ''}`,
    dough,
    part: part?.name ?? dough.outs[0]?.name ?? '',
    first: !part,
    ...shapes,
    warmths: warmthsOf(shapes.parts),
    oven: bake.length ? { start: x(bake[0]!.start), end: x(bake.at(-1)!.end) } : null,
    bake: bake.map((stage) => ({ ...stage, x: x(stage.start), to: x(stage.end) })),
    folds: own.filter((step) => step.kind === 'fold' && step.state !== 'skipped').filter(shown),
    pins: own
      .filter((step) => step.kind !== 'fold' && step.minutes && step.state !== 'skipped')
      .filter(shown),
    photos: (part ? [] : dough.history).filter((event) => event.kind === 'bake_photo' && x(event.at) > 0),
    readings: (part ? [] : dough.history)
      .filter(
        (event) => event.kind === 'reading' && String(event.body.kind).startsWith('rise') && x(event.at) > 0,
      )
      .map((event) => ({ id: event.id, at: event.at, rise: Number(event.body.value) })),
    next: own.find((step) => step.state === 'due' || step.state === 'coming') ?? null,
  }
}
const WORD_PX = 50
/** Parts that are wide enough to say how warm they end; of two that end side by side, the later one does. */
function warmthsOf(parts: ReturnType<typeof benchShapes>['parts']) {
  return parts
    .filter(
      ({ start, end }) => end - (end > nowX.value ? Math.max(start, nowX.value) : start) > 58 && end > 60,
    )
    .map((part) => ({ ...part, at: Math.min(part.end, length.value) - 6 }))
    .filter(
      (part, index, all) => !all.slice(index + 1).some((later) => Math.abs(later.at - part.at) < WORD_PX),
    )
}
/** Cultures on the counter that were fed within a day and a half: those in the fridge sleep. */
const awake = computed(() =>
  props.cultures.filter(
    ({ life, guide }) =>
      life && !guide && life.place === 'counter' && props.now - Date.parse(life.fed_at) < 36 * 3_600_000,
  ),
)
const named = (dough: BenchDough) => {
  const { rise, dough_c: warm } = dough.standing
  const parts = [warm == null ? '' : degree(warm), rise == null ? '' : `+${Math.round(100 * rise)} %`]
  return parts.filter(Boolean).join(' · ')
}
const stageOf = (dough: BenchDough) => {
  const done = new Set(dough.steps.filter((step) => step.state === 'done').map((step) => step.key))
  if (done.has('out-1')) return t.stages.cooling
  if (dough.standing.stage === 'gluten' && !done.has('mix-1')) return t.stages.waiting
  return t.stages[dough.standing.stage]
}
</script>

<template>
  <div ref="host" class="rows" role="group" :aria-label="t.ribbon">
    <button
      v-for="(row, index) in rows"
      :key="row.key"
      type="button"
      class="row"
      :class="{ chosen: row.dough.id === chosen, due: row.next?.state === 'due', part: !row.first }"
      :aria-pressed="row.dough.id === chosen"
      :aria-keyshortcuts="row.first ? String(doughs.indexOf(row.dough) + 1) : undefined"
      @click="emit('choose', row.dough.id)"
    >
      <span class="label">
        <strong v-if="row.first">{{ row.dough.name }}</strong>
        <span v-if="row.part" class="small whose">{{ row.part }}</span>
        <span v-if="row.first" class="small quiet"
          >{{ stageOf(row.dough)
          }}<template v-if="named(row.dough)"> · {{ named(row.dough) }}</template></span
        >
        <span v-if="row.next" class="small"
          ><span class="clock">{{ clock(row.next.at) }}</span> {{ row.next.title }}</span
        >
      </span>
      <svg :width="length + RIGHT" :height="TALL + ROOM" aria-hidden="true">
        <defs>
          <clipPath :id="`${id}-${index}-past`">
            <rect x="-2" :y="-TALL - 40" :width="Math.max(nowX + 2, 0)" :height="TALL + 60" />
          </clipPath>
          <clipPath :id="`${id}-${index}-ahead`">
            <rect :x="nowX" :y="-TALL - 40" :width="Math.max(length - nowX + RIGHT, 0)" :height="TALL + 60" />
          </clipPath>
          <clipPath :id="`${id}-${index}-all`">
            <rect x="0" :y="-TALL - 40" :width="length + RIGHT" :height="TALL + 70" />
          </clipPath>
        </defs>
        <RibbonDefs
          :id="`${id}-${index}`"
          :down="false"
          :parts="row.parts"
          :bake="row.oven ?? { start: 0, end: 0 }"
        />
        <g :transform="`translate(0 ${TALL + 12})`" :clip-path="`url(#${id}-${index}-all)`">
          <rect
            v-for="(night, n) in nights"
            :key="`n${n}`"
            class="night"
            :x="night.x"
            :y="-TALL - 12"
            :width="night.to - night.x"
            :height="TALL + ROOM"
          />
          <g
            v-for="side in ['past', 'ahead']"
            :key="side"
            :class="side"
            :clip-path="`url(#${id}-${index}-${side})`"
          >
            <g v-for="part in row.parts" :key="part.id">
              <path :d="part.body" :fill="`url(#${id}-${index}-${part.id})`" class="fill" />
              <path v-if="side === 'ahead'" :d="part.band" class="band" />
              <path :d="part.ridge" class="edge" />
              <line class="edge" :x1="part.end" :x2="part.end" y1="0" :y2="row.y(part.last.rise)" />
            </g>
            <g v-for="(stage, n) in row.bake" :key="`b${n}`">
              <rect
                class="oven"
                :x="stage.x"
                :y="-TALL * 0.9"
                :width="Math.max(stage.to - stage.x, 1)"
                :height="TALL * 0.9"
              />
              <rect
                v-if="stage.covered"
                :x="stage.x"
                :y="-TALL * 0.9"
                :width="Math.max(stage.to - stage.x, 1)"
                :height="TALL * 0.9"
                :fill="`url(#${id}-${index}-steam)`"
              />
            </g>
            <rect
              v-if="row.oven"
              :x="row.oven.start"
              y="-8"
              :width="Math.max(row.oven.end - row.oven.start, 1)"
              height="8"
              :fill="`url(#${id}-${index}-crust)`"
            />
          </g>
          <template v-for="part in row.parts" :key="`t${part.id}`">
            <line
              v-if="part.target !== null && part.end > nowX"
              class="target"
              :x1="Math.max(part.start, nowX) + 4"
              :x2="part.end"
              :y1="part.target"
              :y2="part.target"
            />
          </template>
          <text
            v-for="part in row.warmths"
            :key="`w${part.id}`"
            class="warm"
            :fill="part.end < nowX ? onDough(part.last.dough_c) : 'var(--ink)'"
            :x="part.at"
            y="-9"
            text-anchor="end"
          >
            {{ degree(part.last.dough_c) }}
          </text>
          <line class="base" x1="0" :x2="length + RIGHT" y1="0" y2="0" />
          <path
            v-for="fold in row.folds"
            :key="fold.key"
            class="notch"
            :class="fold.state"
            :d="`M${scale.x(fold.at) - 6} 0 L${scale.x(fold.at)} -12 L${scale.x(fold.at) + 6} 0Z`"
          />
          <g v-for="pin in row.pins" :key="pin.key" :transform="`translate(${scale.x(pin.at)} 0)`">
            <circle class="pin" :class="pin.state" r="5" cy="0" />
          </g>
          <path
            v-for="reading in row.readings"
            :key="reading.id"
            class="reading"
            :transform="`translate(${scale.x(reading.at)} ${row.y(reading.rise)})`"
            d="M0 -6L6 0L0 6L-6 0Z"
          />
          <image
            v-for="photo in row.photos"
            :key="photo.id"
            :href="`/api/photos/${photo.id}?small=1`"
            :x="scale.x(photo.at) - 15"
            :y="-TALL - 8"
            width="30"
            height="30"
            preserveAspectRatio="xMidYMid slice"
          />
        </g>
      </svg>
    </button>
    <BenchCulture
      v-for="culture in awake"
      :key="culture.id"
      :culture="culture"
      :x="scale.x"
      :length="length"
      :now="now"
    />
    <svg
      class="axis"
      :width="length + RIGHT"
      height="26"
      :style="{ marginLeft: `${LABEL}px` }"
      aria-hidden="true"
    >
      <ClockAxis :ticks="scale.ticks" />
    </svg>
    <div class="now" :style="{ left: `${LABEL + nowX}px` }" aria-hidden="true">
      <span class="clock">{{ clock(now) }}</span>
    </div>
  </div>
</template>

<style scoped>
.rows {
  position: relative;
  padding-top: 26px;
}
.row {
  display: flex;
  width: 100%;
  padding: 0;
  border: 0;
  border-top: 1px solid var(--hairline);
  background: none;
  text-align: left;
  cursor: pointer;
}
.label {
  display: grid;
  align-content: center;
  flex: none;
  width: 252px;
  padding: 4px 16px 4px 12px;
  border-left: 4px solid transparent;
  line-height: 1.2;
  font-size: 1.1875rem;
}
.chosen .label {
  border-color: var(--ink);
}
.part {
  border-top-style: dashed;
}
.whose {
  font-weight: 650;
}
.label strong {
  font-size: 1.25rem;
  line-height: 1.1;
}
.label .small {
  font-size: 1.0625rem;
}
svg {
  display: block;
  overflow: visible;
}
.night {
  fill: var(--night);
}
.ahead .fill {
  opacity: 0.42;
}
.ahead .edge {
  stroke-dasharray: 5 4;
}
.edge {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.band {
  fill: var(--band);
}
.oven {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.target {
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-dasharray: 2 4;
}
.warm {
  font: 650 1.0625rem var(--read);
}
.base {
  stroke: var(--ink);
  stroke-width: 2;
}
.notch,
.pin,
.reading {
  stroke: var(--ink);
  stroke-width: 1.6;
  fill: var(--flour);
}
.notch.done,
.pin.done,
.reading {
  fill: var(--ink);
}
.pin.due {
  stroke-width: 3.5;
}
.now {
  position: absolute;
  top: 0;
  bottom: 26px;
  width: 0;
  border-left: 2.5px solid var(--ink);
  pointer-events: none;
}
.now span {
  position: absolute;
  top: 0;
  left: 0;
  padding: 0 8px;
  translate: -2.5px 0;
  background: var(--ink);
  color: var(--flour);
  font-size: 1.1875rem;
  line-height: 26px;
}
@media (max-width: 720px) {
  .row {
    display: block;
  }
  .label {
    position: relative;
    z-index: 1;
    width: auto;
    padding: 8px 0 2px;
    border-left: 0;
    background: var(--flour);
  }
  .chosen .label strong {
    text-decoration: underline;
    text-decoration-thickness: 2px;
    text-underline-offset: 4px;
  }
}
</style>
