<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import type { Plan, Schemas } from '../api/client'
import { useUnits } from '../shell/units'
import { words } from '../words'
import OtherTakes from './OtherTakes.vue'
import RibbonDefs from './RibbonDefs.vue'
import { bakeShapes, ribbonShapes } from './ribbonShapes'
import { groundOf, onDough } from './temperature'
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
const width = useWidth(host, 350)
const id = useId()

const LEFT = 76
const TOP = 14
const BAKE = 190
const length = computed(() => 520 + 34 * props.plan.ribbon.parts.length + (BAKE - 120))
/** What others take runs down the right margin, a column each. */
const COLUMN = 24
const others = computed(() => props.others ?? [])
const beside = computed(() => COLUMN * new Set(others.value.map((each) => each.name)).size)
const across = computed(() => width.value - LEFT - 8 - beside.value)
const shapes = computed(() =>
  ribbonShapes(props.plan, {
    length: length.value,
    across: across.value - 8,
    bake: BAKE,
    down: true,
    labelGap: 34,
  }),
)
const bake = computed(() => bakeShapes(props.plan, shapes.value.time))
const box = computed(() => ({ start: shapes.value.time.u(shapes.value.time.bakeStart), end: length.value }))
const coreLine = computed(() =>
  bake.value.core
    .map((point, index) => `${index ? 'L' : 'M'}${point.share * across.value} ${point.u}`)
    .join(''),
)
const midnights = computed(() =>
  dayStarts(shapes.value.time, dayKey)
    .filter((day) => day.midnight)
    .map(({ at }) => ({ u: shapes.value.time.u(at), name: weekday(at) })),
)
const figure = (rise: number) => `+${Math.round(100 * rise)} %`
</script>

<template>
  <figure ref="host" class="down dough-ribbon">
    <svg :width="width" :height="length + TOP + 24" role="img" :aria-label="words.plan.ribbon">
      <RibbonDefs :id="id" :down="true" :parts="shapes.parts" :bake="box" />
      <g :transform="`translate(${LEFT} ${TOP})`">
        <rect
          v-for="(night, index) in shapes.nights"
          :key="`n${index}`"
          class="night"
          x="0"
          :y="night.start"
          :width="across"
          :height="night.end - night.start"
        />
        <line
          v-for="(day, index) in midnights"
          :key="`m${index}`"
          class="midnight"
          x1="0"
          :x2="across"
          :y1="day.u"
          :y2="day.u"
        />
        <text
          v-for="(day, index) in midnights"
          :key="`mt${index}`"
          class="day"
          :x="across - 4"
          :y="day.u + 17"
          text-anchor="end"
        >
          {{ day.name }}
        </text>
        <g v-for="part in shapes.parts" :key="part.id">
          <path :d="part.body" :fill="`url(#${id}-${part.id})`" />
          <path class="band" :d="part.band" />
          <path class="edge" :d="part.ridge" />
          <line class="edge" x1="0" :x2="shapes.v(part.first.rise)" :y1="part.start" :y2="part.start" />
          <line class="edge" x1="0" :x2="part.top" :y1="part.end" :y2="part.end" />
        </g>
        <path
          v-for="(d, index) in shade ? shapes.shaded(shade.parts) : []"
          :key="`s${index}`"
          class="shade"
          :d="d"
        />
        <g v-for="part in shapes.parts" :key="`t${part.id}`">
          <line
            v-if="part.target !== null"
            class="target"
            :x1="part.target"
            :x2="part.target"
            :y1="part.start + 6"
            :y2="part.end"
          />
          <template v-if="part.end - part.start > 44">
            <text
              class="figure grounded"
              :fill="onDough(part.near.dough_c)"
              :stroke="groundOf(part.near.dough_c)"
              x="12"
              :y="part.start + 22"
            >
              {{ part.title }} {{ degree(part.near.dough_c) }}
            </text>
            <text
              v-if="part.end - part.start > 64"
              class="figure grounded"
              :fill="onDough(part.last.dough_c)"
              :stroke="groundOf(part.last.dough_c)"
              x="12"
              :y="part.end - 9"
            >
              {{ degree(part.last.dough_c) }} {{ figure(part.last.rise) }}
            </text>
          </template>
        </g>
        <path
          v-for="(fold, index) in shapes.folds"
          :key="`f${index}`"
          class="notch"
          :d="`M0 ${fold - 5} L9 ${fold} L0 ${fold + 5}`"
        />

        <rect class="oven" x="0" :y="box.start" :width="across" :height="box.end - box.start" />
        <g v-for="(stage, index) in bake.stages" :key="`b${index}`">
          <rect
            v-if="stage.covered"
            x="0"
            :y="stage.from"
            :width="bake.share(stage.setpoint_c) * across"
            :height="stage.to - stage.from"
            :fill="`url(#${id}-steam)`"
            opacity="0.6"
          />
          <path
            class="ridge"
            :d="`M${bake.share(stage.setpoint_c) * across} ${stage.from}V${stage.to}H${bake.share((bake.stages[index + 1] ?? stage).setpoint_c) * across}`"
          />
          <text
            v-if="stage.to - stage.from > 26"
            class="note haloed strong"
            x="22"
            :y="(stage.from + stage.to) / 2 + 5"
          >
            {{ stage.name }}, {{ stage.minutes }} {{ words.plan.minutes }} {{ degree(stage.setpoint_c) }}
          </text>
        </g>
        <path class="core" :d="coreLine" />
        <rect x="0" :y="box.start" width="11" :height="box.end - box.start" :fill="`url(#${id}-crust)`" />
        <rect class="oven frame" x="0" :y="box.start" :width="across" :height="box.end - box.start" />

        <OtherTakes
          v-if="others.length"
          :transform="`translate(${across + beside - 8} 0) rotate(90)`"
          :others="others"
          :u="shapes.time.u"
          :length="length"
        />
        <line class="base" x1="0" x2="0" y1="-4" :y2="box.end + 4" />
        <g
          v-for="(gap, index) in shapes.breaks"
          :key="`k${index}`"
          class="gap"
          :transform="`translate(0 ${gap.u})`"
        >
          <path d="M-6 6L6 0M-6 0L6 -6" />
        </g>
        <g v-for="pin in shapes.pins" :key="`${pin.kind}${pin.at}`" :transform="`translate(0 ${pin.u})`">
          <line class="tick" x1="-8" x2="0" />
          <text class="clock pin-time" x="-12" y="2" text-anchor="end">{{ clock(pin.at) }}</text>
          <text class="note" x="-12" y="17" text-anchor="end">{{ pin.word }}</text>
        </g>
      </g>
    </svg>
    <figcaption class="small quiet">{{ words.plan.height }}</figcaption>
  </figure>
</template>

<style scoped>
.grounded {
  stroke-width: 7px;
  stroke-linejoin: round;
  paint-order: stroke;
}
</style>
