<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { BLOWN, OPENNESS, OUTLINES, SCORES } from './loafShapes'
import { crustColour } from './temperature'

/** A loaf as it came out, drawn from its sheet: its shape and colour, what the knife left, and its slice beside it. */
const props = withDefaults(
  defineProps<{
    loaf: Pick<Partial<Schemas['LoafLine']>, 'form' | 'scores' | 'blow_out' | 'openness' | 'top_colour'>
    width?: number
  }>(),
  { width: 64 },
)
const outline = computed(() => OUTLINES[props.loaf.form ?? 'domed']!)
const colour = computed(() => props.loaf.top_colour)
const fill = computed(() => (colour.value == null ? 'none' : crustColour(colour.value / 100)))
const slice = computed(() => (props.loaf.openness ? OPENNESS[props.loaf.openness]! : null))
</script>

<template>
  <svg
    :width="slice ? width * 2 : width"
    :height="width * 0.7"
    :viewBox="slice ? '0 0 128 45' : '0 0 64 45'"
    aria-hidden="true"
  >
    <path class="ink" :class="{ bare: colour == null }" :d="outline" :fill="fill" />
    <path v-if="loaf.blow_out && BLOWN[loaf.blow_out]" class="ink cut" :d="BLOWN[loaf.blow_out]" />
    <template v-if="loaf.scores">
      <path v-for="d in SCORES[loaf.scores]" :key="d" class="ink cut" :d="d" />
    </template>
    <g v-if="slice" transform="translate(64 0)">
      <path class="ink crumb" :d="outline" />
      <circle v-for="([x, y, r], index) in slice" :key="index" class="hole" :cx="x" :cy="y" :r="r" />
    </g>
  </svg>
</template>

<style scoped>
svg {
  display: block;
  flex: none;
}
.ink {
  stroke: var(--ink);
  stroke-width: 1.8;
  stroke-linejoin: round;
}
.bare {
  stroke-dasharray: 3 3;
}
.cut {
  fill: #f4e7c9;
}
.crumb {
  fill: #f0dfb6;
}
.hole {
  fill: #a8895a;
}
</style>
