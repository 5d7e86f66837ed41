<script setup lang="ts">
import { computed } from 'vue'
import { crustColour } from './temperature'

/** Our own line drawings of what a dough or loaf shows: one weight of ink, one flat tint, one size. */
const props = defineProps<{ cue: string; of: string }>()
interface Drawing {
  tint?: string
  ink: string[]
  dots?: [number, number, number][]
  water?: string
  fill?: string
}
const BOWL = 'M8 16V38Q8 46 16 46H48Q56 46 56 38V16'
const inBowl = (top: string) => ({ tint: `${top}V38Q56 46 48 46H16Q8 46 8 38Z`, ink: [top, BOWL] })
const SKIN = 'M4 30H60'
const HAND = 'M32 4V20'
const crust = (share: number): Drawing => ({
  ink: ['M8 44Q8 14 32 14Q56 14 56 44Z', 'M22 24L40 20'],
  tint: 'M8 44Q8 14 32 14Q56 14 56 44Z',
  fill: crustColour(share),
})
const base = (share: number): Drawing => ({
  ink: ['M8 30a24 13 0 1 0 48 0a24 13 0 1 0 -48 0Z', 'M24 26Q32 22 40 26'],
  tint: 'M8 30a24 13 0 1 0 48 0a24 13 0 1 0 -48 0Z',
  fill: crustColour(share),
})
const bubbles = (...dots: [number, number, number][]): Drawing => ({
  tint: 'M6 20Q32 10 58 20V48H6Z',
  ink: ['M6 20Q32 10 58 20V48H6Z'],
  dots,
})
const loafOn = (more: string[]): Drawing => ({
  tint: 'M10 36Q12 16 32 16Q52 16 54 36Z',
  ink: ['M10 36Q12 16 32 16Q52 16 54 36Z', ...more],
})
const jar = (top: string): Drawing => ({ tint: `${top}V48H18Z`, ink: [top, 'M18 8V48H46V8'] })
const glass = (y: number): Drawing => ({
  water: 'M16 22H48V48H16Z',
  ink: ['M16 8V48H48V8', 'M16 22H24M40 22H48'],
  dots: [[32, y, 7]],
})

const DRAWN: Record<string, Record<string, Drawing>> = {
  poke: {
    springs_back: {
      tint: 'M4 30H60V48H4Z',
      ink: [
        SKIN,
        'M4 48H60',
        HAND,
        'M26 24L32 30L38 24',
        'M20 14V24M20 14L17 18M20 14L23 18M44 14V24M44 14L41 18M44 14L47 18',
      ],
    },
    slow_partial: {
      tint: 'M4 30H22Q26 30 28 34Q32 39 36 34Q38 30 42 30H60V48H4Z',
      ink: [
        'M4 30H22Q26 30 28 34Q32 39 36 34Q38 30 42 30H60',
        'M4 48H60',
        HAND,
        'M48 16V24M48 16L45 20M48 16L51 20',
      ],
    },
    stays: {
      tint: 'M4 30H22Q25 30 25 36Q26 44 32 44Q38 44 39 36Q39 30 42 30H60V48H4Z',
      ink: [
        'M4 30H22Q25 30 25 36Q26 44 32 44Q38 44 39 36Q39 30 42 30H60',
        'M4 48H60',
        'M32 4V24',
        'M26 18L32 24L38 18',
      ],
    },
  },
  edge: {
    domed: inBowl('M8 28Q12 17 32 17Q52 17 56 28'),
    level: inBowl('M8 24H56'),
    sunken: inBowl('M8 19Q14 30 32 30Q50 30 56 19'),
    firm: {
      tint: 'M12 22H52V44H12Z',
      ink: ['M12 22H52V44H12Z', 'M4 44H60', 'M58 1V15M51 8H65M53 3L63 13M63 3L53 13'],
    },
  },
  jiggle: {
    none: inBowl('M8 24Q32 20 56 24'),
    some: {
      ...inBowl('M8 25Q20 19 32 24T56 22'),
      ink: ['M8 25Q20 19 32 24T56 22', BOWL, 'M2 24V34M62 24V34'],
    },
    wobbly: {
      ...inBowl('M8 26Q16 14 26 22T44 20T56 24'),
      ink: ['M8 26Q16 14 26 22T44 20T56 24', BOWL, 'M3 22V38M61 22V38M-1 26V34M65 26V34'],
    },
  },
  bubbles: {
    none: bubbles(),
    few: bubbles([22, 34, 2.5], [42, 30, 2.5]),
    some: bubbles([18, 28, 3], [30, 36, 3.5], [42, 26, 3], [50, 38, 2.5], [24, 42, 2.5]),
    many: bubbles([14, 22, 4], [24, 18, 4.5], [36, 17, 5], [48, 21, 4], [20, 34, 3.5], [40, 36, 4]),
    large: bubbles([20, 20, 7], [40, 18, 8], [28, 38, 5], [50, 34, 5]),
  },
  feel: {
    dense: loafOn(['M32 2V14M26 9L32 14L38 9', 'M4 36H60']),
    airy: {
      ...loafOn(['M4 36H60', 'M20 10Q32 2 44 10']),
      dots: [
        [24, 28, 2.5],
        [34, 24, 3],
        [43, 30, 2.5],
      ],
    },
    slack: { tint: 'M2 40Q6 28 24 28H40Q58 28 62 40Z', ink: ['M2 40Q6 28 24 28H40Q58 28 62 40Z'] },
    rough: loafOn(['M16 28L20 24L24 29L28 22L33 27L38 21L42 27L48 25']),
    smooth: loafOn(['M20 26Q32 18 44 26']),
    torn: loafOn(['M20 18L26 28L22 34M40 17L36 26L42 34']),
  },
  windowpane: {
    tears: { tint: 'M8 12H56V44H8Z', ink: ['M8 12H56V44H8Z', 'M26 12Q22 26 32 28Q42 30 36 44'] },
    thick: { tint: 'M8 12H56V44H8Z', ink: ['M8 12H56V44H8Z', 'M14 18H50V38H14Z'] },
    thin: {
      ink: [
        'M8 12H56V44H8Z',
        'M32 20V14M32 36V42M22 28H16M42 28H48M25 21L21 17M39 35L43 39M39 21L43 17M25 35L21 39',
      ],
      dots: [[32, 28, 5]],
    },
  },
  surface: {
    domed: jar('M18 26Q32 14 46 26'),
    flat: jar('M18 22H46'),
    dimpled: jar('M18 21Q21 20 23 24Q26 20 29 24Q33 20 36 24Q40 20 46 21'),
    sunken: jar('M18 18Q32 34 46 18'),
    collapsed: jar('M18 14Q21 36 32 36Q43 36 46 14'),
  },
  float: { floats: glass(20), sinks: glass(40) },
  liquid: {
    none: jar('M18 24H46'),
    some: { ...jar('M18 28H46'), water: 'M18 20H46V28H18Z' },
  },
  cracks: {
    none: loafOn(['M4 36H60']),
    fine: loafOn(['M4 36H60', 'M22 22L26 26L24 30M34 19L33 25L37 28M44 24L41 29']),
    wide: loafOn(['M4 36H60', 'M20 20L28 24L22 32L30 34M36 17L34 26L44 28L40 34']),
  },
  knock: {
    dull: { ...base(0.5), ink: [...base(0.5).ink, 'M46 8L38 20'] },
    hollow: { ...base(0.5), ink: [...base(0.5).ink, 'M46 8L38 20', 'M12 12Q6 16 6 22M20 8Q10 10 8 16'] },
  },
  crust: { pale: crust(0.08), golden: crust(0.34), deep: crust(0.62), dark: crust(0.95) },
  base: { pale: base(0.08), golden: base(0.45), dark: base(0.92) },
  crackle: {
    silent: crust(0.6),
    crackles: { ...crust(0.6), ink: [...crust(0.6).ink, 'M14 12L10 6M24 8L22 2M40 8L42 2M50 12L54 6'] },
  },
}
const drawing = computed(() => DRAWN[props.cue]?.[props.of])
</script>

<template>
  <svg v-if="drawing" width="64" height="52" viewBox="-2 0 68 52" aria-hidden="true">
    <path v-if="drawing.water" class="water" :d="drawing.water" />
    <path
      v-if="drawing.tint"
      class="tint"
      :d="drawing.tint"
      :style="drawing.fill ? { fill: drawing.fill } : undefined"
    />
    <circle
      v-for="(dot, index) in drawing.dots ?? []"
      :key="`d${index}`"
      class="dot"
      :cx="dot[0]"
      :cy="dot[1]"
      :r="dot[2]"
    />
    <path v-for="(d, index) in drawing.ink" :key="index" class="ink" :d="d" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  overflow: visible;
}
.ink,
.dot {
  fill: none;
  stroke: currentColor;
  stroke-width: 1.8;
  stroke-linejoin: round;
  stroke-linecap: round;
}
.dot {
  fill: var(--paper);
  color: var(--ink);
}
.tint {
  fill: #e2c77f;
}
.water {
  fill: var(--steam);
  opacity: 0.45;
}
</style>
