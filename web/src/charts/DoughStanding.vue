<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'

/** A dough in its vessel from the side, true to scale: the line at which it stood without gas is dashed. */
const props = defineProps<{ drawn: Schemas['StandingDough']; label: string }>()
const EDGE = 6
const wide = computed(() =>
  Math.max(...props.drawn.wall.map(([x]) => x!), ...props.drawn.dough.map(([x]) => x!)),
)
const high = computed(() =>
  Math.max(...props.drawn.wall.map(([, y]) => y!), ...props.drawn.dough.map(([, y]) => y!)),
)
const box = computed(
  () => `${-wide.value - EDGE} ${-EDGE} ${2 * (wide.value + EDGE)} ${high.value + 2 * EDGE}`,
)
const path = (points: number[][]) =>
  points.map(([x, y], index) => `${index ? 'L' : 'M'}${x} ${(high.value - y!).toFixed(1)}`).join('')
</script>

<template>
  <svg :viewBox="box" role="img" :aria-label="label">
    <path class="dough" :d="`${path(drawn.dough)}Z`" />
    <circle
      v-for="([x, y, r], index) in drawn.bubbles"
      :key="index"
      class="bubble"
      :cx="x"
      :cy="high - y!"
      :r="r"
    />
    <path class="began" :d="path(drawn.began)" />
    <path class="wall" :d="path(drawn.wall)" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  width: 100%;
  height: auto;
}
.dough {
  fill: #e2c77f;
}
.bubble {
  fill: #f3e6c2;
  stroke: #a8895a;
  stroke-width: 0.7;
}
.wall {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.6;
  stroke-linejoin: round;
  stroke-linecap: round;
}
.began {
  stroke: var(--ink);
  stroke-width: 1.4;
  stroke-dasharray: 5 5;
}
</style>
