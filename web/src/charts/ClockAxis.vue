<script setup lang="ts">
import { useUnits } from '../shell/units'
import type { ClockTick } from './clockScale'

/** Whole hours under a drawing, midnights by their day. */
defineProps<{ ticks: ClockTick[] }>()
const { clock, weekday } = useUnits()
const word = ({ at, midnight }: ClockTick) =>
  midnight ? weekday(at).slice(0, 3) : clock(at).replace(/:00$/, '')
</script>

<template>
  <g>
    <g v-for="tick in ticks" :key="tick.at" :transform="`translate(${tick.x} 0)`">
      <line y1="0" y2="5" />
      <text :class="{ midnight: tick.midnight }" y="19" text-anchor="middle">{{ word(tick) }}</text>
    </g>
  </g>
</template>

<style scoped>
line {
  stroke: var(--quiet);
}
text {
  font: 400 0.8125rem var(--read);
  fill: var(--quiet);
}
.midnight {
  font-weight: 650;
  fill: var(--ink);
}
</style>
