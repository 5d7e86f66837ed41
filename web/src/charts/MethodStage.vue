<script setup lang="ts">
import { computed, useId } from 'vue'
import type { Schemas } from '../api/client'
import { doughColour } from './temperature'

/** One stage of a method as a piece of the ribbon: how far risen, and how warm, the dough comes in and goes out. */
const props = defineProps<{ stage: Schemas['MethodStage']; width: number; high: number; most: number }>()
const id = useId()
const y = (rise: number) => props.high - ((1 + rise) / (1 + props.most)) * (props.high - 4)
const shape = computed(() => {
  const rise = props.stage.rise
  if (!rise) return null
  const [from, to] = [y(rise[0]), y(rise[1])]
  return {
    body: `M0 ${props.high} L0 ${from} L${props.width} ${to} L${props.width} ${props.high} Z`,
    ridge: `M0 ${from} L${props.width} ${to}`,
  }
})
const warm = computed(() => props.stage.dough_c ?? [20, 20])
</script>

<template>
  <svg
    :width="width"
    :height="high + 1"
    :viewBox="`0 0 ${width} ${high + 1}`"
    preserveAspectRatio="none"
    aria-hidden="true"
  >
    <defs v-if="shape">
      <linearGradient :id="id">
        <stop offset="0" :stop-color="doughColour(warm[0]!)" />
        <stop offset="1" :stop-color="doughColour(warm[1]!)" />
      </linearGradient>
    </defs>
    <template v-if="shape">
      <path :d="shape.body" :fill="`url(#${id})`" />
      <path class="ridge" :d="shape.ridge" />
    </template>
    <rect
      v-else-if="stage.kind === 'bake'"
      class="oven"
      x="2"
      y="10"
      :width="width - 4"
      :height="high - 10"
    />
    <line class="base" x1="0" :x2="width" :y1="high" :y2="high" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
}
.ridge,
.base {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.oven {
  fill: var(--ink);
}
</style>
