<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { words } from '../words'
import { doughColour } from './temperature'

/** A jar to its true proportions: the start mark on the glass, the culture's level now, and where it will peak. */
const props = withDefaults(
  defineProps<{
    jar: Schemas['Jar']
    life: Schemas['LifeView'] | null
    high: number
    bare?: boolean
    guess?: boolean
  }>(),
  { bare: false, guess: true },
)
const t = words.cultures
const rim = computed(() => {
  const { height_mm, volume_ml, diameter_mm } = props.jar
  if (height_mm) return height_mm
  if (volume_ml && diameter_mm) return (4000 * volume_ml) / (Math.PI * diameter_mm ** 2)
  return Math.max((diameter_mm ?? 85) * 1.5, (props.life?.peak_mm ?? 0) * 1.1)
})
const wide = computed(() => {
  const { height_mm, volume_ml, diameter_mm } = props.jar
  if (diameter_mm) return diameter_mm
  return volume_ml && height_mm ? Math.sqrt((4000 * volume_ml) / (Math.PI * height_mm)) : 85
})
const LABEL = 76
const scale = computed(() => (props.high - 12) / rim.value)
const w = computed(() => wide.value * scale.value)
const y = (mm: number) => props.high - 4 - Math.min(mm, rim.value) * scale.value
const level = computed(() => (props.life ? y(props.life.level_mm) : null))
const dome = computed(() => {
  if (!props.life) return 0
  const { phases } = props.life
  return (phases.rising + phases.ripe > 0.5 ? 1 : -1) * Math.min(w.value * 0.07, 7)
})
const body = computed(() => {
  if (level.value === null) return ''
  const base = props.high - 4
  return `M2 ${level.value}Q${2 + w.value / 2} ${level.value - 2 * dome.value} ${2 + w.value} ${level.value}V${base - 4}Q${2 + w.value} ${base} ${w.value - 2} ${base}H6Q2 ${base} 2 ${base - 4}Z`
})
const glass = computed(() => {
  const base = props.high - 4
  return `M2 8V${base - 4}Q2 ${base} 6 ${base}H${w.value - 2}Q${2 + w.value} ${base} ${2 + w.value} ${base - 4}V8`
})
/** Marks that would touch are moved apart, the level keeping its place. */
const marks = computed(() => {
  if (!props.life || props.bare) return []
  const { start_mm, level_mm, peak_mm } = props.life
  const found = [{ at: y(level_mm), text: `${Math.round(level_mm)} mm`, strong: true }]
  if (Math.abs(y(start_mm) - y(level_mm)) > 16)
    found.push({ at: y(start_mm), text: t.startMark, strong: false })
  if (props.guess && props.life.phases.rising > 0.2 && y(level_mm) - y(peak_mm) > 16)
    found.push({ at: y(peak_mm), text: t.peakMark, strong: false })
  return found
})
const name = computed(() =>
  props.life
    ? `${t.jar}: ${Math.round(props.life.level_mm)} mm, ${t.startMark} ${Math.round(props.life.start_mm)} mm`
    : t.jar,
)
</script>

<template>
  <svg
    class="jar"
    :width="w + 4 + (bare ? 0 : LABEL)"
    :height="high"
    :role="bare ? undefined : 'img'"
    :aria-hidden="bare || undefined"
    :aria-label="bare ? undefined : name"
  >
    <path v-if="life" class="body" :d="body" :fill="doughColour(life.culture_c)" />
    <line v-if="life" class="mark" x1="2" :x2="2 + w" :y1="y(life.start_mm)" :y2="y(life.start_mm)" />
    <line
      v-if="life && guess && life.phases.rising > 0.2"
      class="mark ahead"
      x1="2"
      :x2="2 + w"
      :y1="y(life.peak_mm)"
      :y2="y(life.peak_mm)"
    />
    <path class="glass" :d="glass" />
    <line class="rim" x1="0" :x2="w + 4" y1="7" y2="7" />
    <g v-for="mark in marks" :key="mark.text">
      <line class="to" :x1="w + 2" :x2="w + 10" :y1="mark.at" :y2="mark.at" />
      <text :class="{ strong: mark.strong }" :x="w + 14" :y="mark.at + 5">{{ mark.text }}</text>
    </g>
  </svg>
</template>

<style scoped>
.jar {
  display: block;
  overflow: visible;
}
.body {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.glass {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2;
}
.rim {
  stroke: var(--ink);
  stroke-width: 3;
}
.mark {
  stroke: #1c2522;
  stroke-width: 2;
}
.mark.ahead {
  stroke: var(--ink);
  stroke-width: 1.5;
  stroke-dasharray: 2 4;
}
.to {
  stroke: var(--ink);
  stroke-width: 1;
}
text {
  font: 400 0.8125rem var(--read);
  fill: var(--quiet);
}
text.strong {
  font-weight: 650;
  font-size: 0.9375rem;
  fill: var(--ink);
}
</style>
