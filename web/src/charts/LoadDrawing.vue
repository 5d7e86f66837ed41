<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { words } from '../words'
import { crustColour } from './temperature'

/** A load seen from above, the door at the bottom: each piece on its shelf, and the shelves that change places. */
const props = defineProps<{ load: Schemas['LoadPlan'] }>()
const t = words.oven
const crust = crustColour(0.5)
const SCALE = 4.2
const EDGE = 6
const BETWEEN = 62
const wide = computed(() => props.load.wide_cm * SCALE)
const deep = computed(() => props.load.deep_cm * SCALE)
const shelves = computed(() =>
  props.load.shelves.map((pieces, place) => ({
    at: EDGE + place * (wide.value + BETWEEN),
    name: place === 0 ? t.upperShelf : place === 1 ? t.lowerShelf : t.shelfOf({ number: place + 1 }),
    pieces: pieces.map((piece) => ({
      x: piece.x_cm * SCALE,
      y: piece.y_cm * SCALE,
      wide: piece.across_cm * SCALE,
      high: piece.along_cm * SCALE,
    })),
  })),
)
const width = computed(
  () => 2 * EDGE + shelves.value.length * wide.value + (shelves.value.length - 1) * BETWEEN,
)
const height = computed(() => 2 * EDGE + deep.value + (shelves.value.length > 1 ? 26 : 0))
const swaps = computed(() => props.load.swap_min != null && shelves.value.length === 2)
</script>

<template>
  <figure class="load">
    <svg
      :viewBox="`0 0 ${width} ${height}`"
      :style="{ width: `${width}px` }"
      role="img"
      :aria-label="t.loadDrawn({ said: load.said })"
    >
      <g v-for="shelf in shelves" :key="shelf.at" :transform="`translate(${shelf.at} ${EDGE})`">
        <rect class="shelf" :width="wide" :height="deep" rx="3" />
        <path class="door" :d="`M${wide * 0.2} ${deep + 3}H${wide * 0.8}`" />
        <rect
          v-for="(piece, index) in shelf.pieces"
          :key="index"
          class="piece"
          :x="piece.x - piece.wide / 2"
          :y="piece.y - piece.high / 2"
          :width="piece.wide"
          :height="piece.high"
          :rx="(load.round ? 0.5 : 0.28) * Math.min(piece.wide, piece.high)"
        />
        <text v-if="shelves.length > 1" class="name" :x="0" :y="deep + 20">{{ shelf.name }}</text>
      </g>
      <g v-if="swaps" :transform="`translate(${EDGE + wide + BETWEEN / 2} ${EDGE + deep / 2})`">
        <path class="swap" d="M-20 -8H18M11 -14l8 6-8 6M20 10H-18M-11 4l-8 6 8 6" />
        <text class="name" text-anchor="middle" y="34">
          {{ t.inMinutes({ min: Math.round(load.swap_min!) }) }}
        </text>
      </g>
    </svg>
    <figcaption class="small">{{ load.said }}</figcaption>
  </figure>
</template>

<style scoped>
.load {
  display: grid;
  gap: 6px;
  justify-items: start;
  margin: 20px 0 0;
}
svg {
  max-width: 100%;
  height: auto;
}
.shelf {
  fill: var(--hairline);
  stroke: var(--quiet);
  stroke-width: 1.5;
}
.door {
  fill: none;
  stroke: var(--ink);
  stroke-width: 4;
}
.piece {
  fill: v-bind(crust);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.swap {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
  stroke-linecap: round;
  stroke-linejoin: round;
}
.name {
  fill: var(--ink);
  font-size: 13px;
}
figcaption {
  max-width: 60ch;
}
</style>
