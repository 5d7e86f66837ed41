<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import type { Plan, Schemas } from '../api/client'
import { useUnits } from '../shell/units'
import { words } from '../words'
import OtherTakes from './OtherTakes.vue'
import RibbonDefs from './RibbonDefs.vue'
import { bakeShapes, ribbonShapes } from './ribbonShapes'
import { onDough } from './temperature'
import { dayStarts } from './timeline'
import { useWidth } from './useSize'
import './ribbon.css'

const props = defineProps<{
  plan: Plan
  shade?: Schemas['WhatIf'] | null
  others?: Schemas['OtherTakes'][]
}>()
const { clock, weekday, dayKey, degree } = useUnits()
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 940)
const id = useId()

const TOP = 34
const ACROSS = 168
const BASE = TOP + ACROSS
const OTHERS_AT = 72
const others = computed(() => props.others ?? [])
const height = computed(() => BASE + 58 + 24 * new Set(others.value.map((each) => each.name)).size)
const LEFT = 30
const RIGHT = 34

const length = computed(() => Math.max(width.value - LEFT - RIGHT, 320))
const shapes = computed(() =>
  ribbonShapes(props.plan, {
    length: length.value,
    across: ACROSS - 14,
    bake: Math.min(190, length.value * 0.22),
    down: false,
    labelGap: 58,
  }),
)
const bake = computed(() => bakeShapes(props.plan, shapes.value.time))
const bakeBox = computed(() => ({
  start: shapes.value.time.u(shapes.value.time.bakeStart),
  end: length.value,
}))
const coreLine = computed(() =>
  bake.value.core.map((point, index) => `${index ? 'L' : 'M'}${point.u} ${-point.share * ACROSS}`).join(''),
)
const days = computed(() =>
  dayStarts(shapes.value.time, dayKey)
    .map(({ at, midnight }) => ({ u: shapes.value.time.u(at), name: weekday(at), midnight }))
    .filter((day, index, all) => index === 0 || day.u - all[index - 1]!.u > 20)
    .map((day, index, all) => {
      const ends = [all[index + 1]?.u ?? Infinity, bakeBox.value.start - 12].filter((end) => end > day.u)
      return { ...day, name: fitting(day.name, Math.min(...ends) - day.u) }
    }),
)
/** A day's name as far as there is room for it before the next word: whole, its first three letters, or not at all. */
function fitting(name: string, room: number): string {
  if (room > 10 * name.length) return name
  return room > 38 ? name.slice(0, 3) : ''
}
const nights = computed(() =>
  shapes.value.nights.map((night) => {
    const midnight = days.value.find((day) => day.midnight && day.u > night.start && day.u < night.end)
    const places = [night.start, midnight?.u ?? night.start]
    const ends = [midnight?.u ?? night.end, night.end]
    const fit = places.findIndex((place, index) => ends[index]! - place > 56)
    return { ...night, word: fit < 0 ? null : places[fit]! + 6 }
  }),
)
const heightWordAt = computed(() => {
  const second = days.value.find((day) => day.midnight)?.u ?? bakeBox.value.start
  return second > 360 ? 92 : null
})
const foldsAt = computed(() => {
  const folds = shapes.value.folds
  return folds.length ? (folds[0]! + folds.at(-1)!) / 2 : null
})
const summary = computed(() =>
  props.plan.ribbon.parts
    .map(
      (part) =>
        `${words.plan.says.part({ title: part.title, from: clock(part.points[0]!.at), to: clock(part.points.at(-1)!.at) })}, ${degree(part.points.at(-1)!.dough_c)}, +${Math.round(100 * part.points.at(-1)!.rise)} %`,
    )
    .join('. '),
)
/** A set point is written above its ridge; under it, where that is at the top of the drawing. */
function beside(c: number) {
  const ridge = -bake.value.share(c) * ACROSS
  return ridge < 22 - ACROSS ? ridge + 19 : ridge - 7
}
const bakeMinutes = computed(() =>
  Math.round((shapes.value.time.bakeEnd - shapes.value.time.bakeStart) / 60_000),
)
const figure = (rise: number) => `+${Math.round(100 * rise)} %`
</script>

<template>
  <figure ref="host" class="ribbon dough-ribbon">
    <svg :width="width" :height="height" role="img" :aria-label="`${words.plan.ribbon}. ${summary}`">
      <RibbonDefs :id="id" :down="false" :parts="shapes.parts" :bake="bakeBox" />

      <g :transform="`translate(${LEFT} ${BASE})`">
        <g class="scale">
          <line x1="0" :x2="bakeBox.start" :y1="-shapes.one" :y2="-shapes.one" />
          <text x="-8" :y="-shapes.one + 4" text-anchor="end">×1</text>
          <template v-if="shapes.two !== null">
            <line x1="0" :x2="bakeBox.start" :y1="-shapes.two" :y2="-shapes.two" />
            <text x="-8" :y="-shapes.two + 4" text-anchor="end">×2</text>
          </template>
        </g>

        <g v-for="(night, index) in nights" :key="`n${index}`">
          <rect
            class="night"
            :x="night.start"
            :y="-ACROSS"
            :width="night.end - night.start"
            :height="ACROSS"
          />
          <text v-if="night.word !== null" class="note" :x="night.word" :y="-ACROSS + 15">
            {{ words.plan.asleep }}
          </text>
        </g>
        <g v-for="(day, index) in days" :key="`d${index}`">
          <line v-if="day.midnight" class="midnight" :x1="day.u" :x2="day.u" y1="0" :y2="-ACROSS - 6" />
          <text
            v-if="day.u < bakeBox.start - 80 || index === 0"
            class="day"
            :x="day.u + (day.midnight ? 5 : 0)"
            :y="-ACROSS - 14"
          >
            {{ day.name }}
          </text>
        </g>

        <text v-if="heightWordAt !== null" class="note" :x="heightWordAt" :y="-ACROSS - 14">
          {{ words.plan.height }}
        </text>
        <text class="day" :x="bakeBox.start" :y="-ACROSS - 14">
          {{ words.plan.oven }} {{ bakeMinutes }} {{ words.plan.minutes }}
        </text>

        <g v-for="part in shapes.parts" :key="part.id">
          <path :d="part.body" :fill="`url(#${id}-${part.id})`" />
          <path class="band" :d="part.band" />
          <path class="edge" :d="`${part.ridge}`" />
          <line class="edge" :x1="part.start" :x2="part.start" y1="0" :y2="-shapes.v(part.first.rise)" />
          <line class="edge" :x1="part.end" :x2="part.end" y1="0" :y2="-part.top" />
        </g>
        <template v-for="part in shapes.parts" :key="`t${part.id}`">
          <template v-if="part.target !== null && part.kind === 'bulk'">
            <line class="target" :x1="part.start + 6" :x2="part.end" :y1="-part.target" :y2="-part.target" />
            <text class="note strong" :x="part.end - 6" :y="-part.target - 7" text-anchor="end">
              {{ words.plan.stop }} {{ figure(part.targetRise!) }}
            </text>
          </template>
          <template v-else-if="part.target !== null && part.kind === 'proof'">
            <line class="target" :x1="part.start + 6" :x2="part.end" :y1="-part.target" :y2="-part.target" />
            <text
              v-if="part.end - part.start > 90"
              class="note strong"
              :x="part.end - 6"
              :y="-part.target - 7"
              text-anchor="end"
            >
              {{ words.plan.load }} {{ figure(part.targetRise!) }}
            </text>
          </template>
          <text
            v-if="part.end - part.start > 92"
            class="figure"
            :fill="onDough(part.near.dough_c)"
            :x="part.start + 8"
            :y="part.kind === 'bulk' && shapes.folds.length ? -32 : -10"
          >
            {{ degree(part.near.dough_c) }}
          </text>
          <text
            v-if="part.end - part.start > 40"
            class="figure"
            :fill="onDough(part.last.dough_c)"
            :x="part.end - 7"
            y="-10"
            text-anchor="end"
          >
            {{ degree(part.last.dough_c) }}
          </text>
          <text
            v-if="
              (part.kind === 'feed' ||
                part.kind === 'levain' ||
                part.kind === 'poolish' ||
                part.kind === 'biga' ||
                part.kind === 'sponge') &&
              part.end - part.start > 60
            "
            class="figure name"
            :fill="onDough(part.near.dough_c)"
            :x="part.start + 8"
            y="-30"
          >
            {{ part.title }}
          </text>
        </template>

        <path
          v-for="(d, index) in shade ? shapes.shaded(shade.parts) : []"
          :key="`s${index}`"
          class="shade"
          :d="d"
        />
        <path
          v-for="(fold, index) in shapes.folds"
          :key="`f${index}`"
          class="notch"
          :d="`M${fold - 5} 0 L${fold} -9 L${fold + 5} 0`"
        />
        <text
          v-if="foldsAt !== null"
          class="figure name"
          fill="#1c2522"
          :x="foldsAt"
          y="-13"
          text-anchor="middle"
        >
          {{ shapes.folds.length }} {{ words.plan.folds }}
        </text>

        <g class="bake">
          <rect
            class="oven"
            :x="bakeBox.start"
            :y="-ACROSS"
            :width="bakeBox.end - bakeBox.start"
            :height="ACROSS"
          />
          <g v-for="(stage, index) in bake.stages" :key="`b${index}`">
            <rect
              v-if="stage.covered"
              :x="stage.from"
              :y="-bake.share(stage.setpoint_c) * ACROSS"
              :width="stage.to - stage.from"
              :height="bake.share(stage.setpoint_c) * ACROSS"
              :fill="`url(#${id}-steam)`"
              opacity="0.6"
            />
            <path
              class="ridge"
              :d="`M${stage.from} ${-bake.share(stage.setpoint_c) * ACROSS}H${stage.to}V${-bake.share((bake.stages[index + 1] ?? stage).setpoint_c) * ACROSS}`"
            />
            <text
              v-if="stage.to - stage.from > 34"
              class="setpoint"
              :x="(stage.from + stage.to) / 2"
              :y="beside(stage.setpoint_c)"
              text-anchor="middle"
            >
              {{ degree(stage.setpoint_c) }}
            </text>
            <template v-if="stage.to - stage.from > 56">
              <text
                class="note haloed"
                :x="(stage.from + stage.to) / 2"
                :y="beside(stage.setpoint_c) + 27"
                text-anchor="middle"
              >
                {{ stage.name }}
              </text>
              <text
                class="note haloed"
                :x="(stage.from + stage.to) / 2"
                :y="beside(stage.setpoint_c) + 44"
                text-anchor="middle"
              >
                {{ stage.minutes }} {{ words.plan.minutes }}
              </text>
            </template>
          </g>
          <path class="core" :d="coreLine" />
          <text
            class="note haloed strong"
            :x="bakeBox.end - 6"
            :y="-bake.share(plan.ribbon.core_done_c) * ACROSS + 20"
            text-anchor="end"
          >
            {{ words.plan.core }} {{ degree(plan.ribbon.core_done_c) }}
          </text>
          <rect
            :x="bakeBox.start"
            y="-11"
            :width="bakeBox.end - bakeBox.start"
            height="11"
            :fill="`url(#${id}-crust)`"
          />
          <rect
            class="oven frame"
            :x="bakeBox.start"
            :y="-ACROSS"
            :width="bakeBox.end - bakeBox.start"
            :height="ACROSS"
          />
        </g>

        <line class="base" x1="-6" :x2="bakeBox.end + 6" y1="0" y2="0" />
        <g
          v-for="(gap, index) in shapes.breaks"
          :key="`k${index}`"
          class="gap"
          :transform="`translate(${gap.u} 0)`"
        >
          <path d="M-6 6L0 -6M0 6L6 -6" />
        </g>
        <circle v-for="(u, index) in shapes.handsOn" :key="`h${index}`" class="pin" :cx="u" cy="0" r="2.6" />
        <g v-for="pin in shapes.pins" :key="`${pin.kind}${pin.at}`" :transform="`translate(${pin.u} 0)`">
          <line class="tick" y1="0" y2="10" />
          <text class="clock pin-time" y="29" text-anchor="middle">{{ clock(pin.at) }}</text>
          <text class="note" y="47" text-anchor="middle">{{ pin.word }}</text>
        </g>
        <OtherTakes
          v-if="others.length"
          :transform="`translate(0 ${OTHERS_AT})`"
          :others="others"
          :u="shapes.time.u"
          :length="length"
        />
      </g>
    </svg>
  </figure>
</template>
