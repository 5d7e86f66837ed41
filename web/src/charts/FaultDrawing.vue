<script setup lang="ts">
import { computed } from 'vue'

/** Our own line drawings of faults that a loaf's sheet has no place for: one weight of ink, one flat tint. */
const props = defineProps<{ of: string }>()
interface Drawing {
  tint?: string
  ink: string[]
  dots?: [number, number, number][]
}
const SLICE = 'M10 44V28Q10 14 32 14Q54 14 54 28V44Z'
const LOAF = 'M6 44Q6 16 32 16Q58 16 58 44Z'
const DRAWINGS: Record<string, Drawing> = {
  too_sour: { tint: SLICE, ink: [SLICE, 'M16 8L22 3L28 8L34 3L40 8L46 3'] },
  stuck: {
    tint: 'M6 38Q6 12 32 12Q58 12 58 38L50 42L42 36L33 43L24 37L15 42Z',
    ink: ['M6 38Q6 12 32 12Q58 12 58 38L50 42L42 36L33 43L24 37L15 42Z', 'M2 49H62M20 45V48M40 44V48'],
  },
  flour_streaks: { tint: SLICE, ink: [SLICE, 'M18 34Q26 26 34 33M30 24Q38 18 46 25M26 40Q36 36 44 40'] },
  dull_crust: {
    tint: LOAF,
    ink: [LOAF],
    dots: [
      [18, 34, 1.2], [25, 26, 1.2], [33, 34, 1.2], [40, 25, 1.2], [47, 35, 1.2], [30, 20, 1.2], [26, 39, 1.2],
      [40, 39, 1.2],
    ],
  }, // prettier-ignore
  too_open: {
    tint: SLICE,
    ink: [SLICE],
    dots: [[22, 28, 6.5], [40, 24, 5], [42, 38, 4.5], [27, 39, 3]],
  }, // prettier-ignore
}
const drawing = computed(() => DRAWINGS[props.of])
const hollow = computed(() => props.of === 'too_open')
</script>

<template>
  <svg v-if="drawing" width="44" height="36" viewBox="0 0 64 52" aria-hidden="true">
    <path v-if="drawing.tint" class="tint" :d="drawing.tint" />
    <path v-for="d in drawing.ink" :key="d" class="ink" :d="d" />
    <circle
      v-for="([cx, cy, r], index) in drawing.dots"
      :key="index"
      :class="hollow ? 'hole' : 'dot'"
      :cx="cx"
      :cy="cy"
      :r="r"
    />
  </svg>
</template>

<style scoped>
svg {
  display: block;
}
.tint {
  fill: #e2c77f;
}
.ink,
.hole {
  fill: none;
  stroke: currentColor;
  stroke-width: 2.2;
  stroke-linejoin: round;
  stroke-linecap: round;
}
.hole {
  fill: #f3e6c2;
}
.dot {
  fill: currentColor;
}
</style>
