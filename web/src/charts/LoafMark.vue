<script setup lang="ts">
import { computed } from 'vue'
import { BLOWN, OPENNESS, OUTLINES, SCORES } from './loafShapes'
import { crustColour } from './temperature'

/** A loaf as it came out, drawn from its sheet: its shape and colour, what the knife left, and its slice beside it. */
const props = withDefaults(
  defineProps<{
    form?: string | null
    scores?: string | null
    blowOut?: string | null
    openness?: string | null
    colour?: number | null
    width?: number
  }>(),
  { form: null, scores: null, blowOut: null, openness: null, colour: null, width: 64 },
)
const outline = computed(() => OUTLINES[props.form ?? 'domed']!)
const fill = computed(() => (props.colour == null ? 'none' : crustColour(props.colour / 100)))
const slice = computed(() => (props.openness ? OPENNESS[props.openness]! : null))
</script>

<template>
  <svg
    :width="slice ? width * 2 : width"
    :height="width * 0.7"
    :viewBox="slice ? '0 0 128 45' : '0 0 64 45'"
    aria-hidden="true"
  >
    <path class="ink" :class="{ bare: colour == null }" :d="outline" :fill="fill" />
    <path v-if="blowOut && BLOWN[blowOut]" class="ink cut" :d="BLOWN[blowOut]" />
    <template v-if="scores">
      <path v-for="d in SCORES[scores]" :key="d" class="ink cut" :d="d" />
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
