<script setup lang="ts">
import { crustColour } from './temperature'

/** Hatching of steam, each part's temperatures along its length, and the browning of the crust. */
defineProps<{
  id: string
  down: boolean
  parts: { id: string; start: number; end: number; stops: { offset: number; colour: string }[] }[]
  bake: { start: number; end: number }
}>()
const along = (down: boolean, start: number, end: number) =>
  down ? { x1: 0, x2: 0, y1: start, y2: end } : { x1: start, x2: end, y1: 0, y2: 0 }
const browned = (step: number) => crustColour((step / 8) ** 1.6 * 0.82)
</script>

<template>
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
      v-for="part in parts"
      :id="`${id}-${part.id}`"
      :key="part.id"
      gradientUnits="userSpaceOnUse"
      v-bind="along(down, part.start, part.end)"
    >
      <stop
        v-for="(stop, index) in part.stops"
        :key="index"
        :offset="stop.offset"
        :stop-color="stop.colour"
      />
    </linearGradient>
    <linearGradient
      :id="`${id}-crust`"
      gradientUnits="userSpaceOnUse"
      v-bind="along(down, bake.start, bake.end)"
    >
      <stop v-for="step in 9" :key="step" :offset="(step - 1) / 8" :stop-color="browned(step - 1)" />
    </linearGradient>
  </defs>
</template>
