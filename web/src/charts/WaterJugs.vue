<script setup lang="ts">
import { computed } from 'vue'
import type { Plan } from '../api/client'
import { useUnits } from '../shell/units'
import { words } from '../words'

/** The water as it is drawn: a jug from each source, filled by its share. */
const props = defineProps<{
  water: Plan['water']
  tapC: number
  kettleC: number
  hotTapC?: number | null
  iceC?: number
  big?: boolean
}>()
const { mass, degree } = useUnits()

const jugs = computed(() => {
  const { water } = props
  const all = [
    { key: 'tap', g: water.tap_g, c: props.tapC },
    { key: 'hotTap', g: water.hot_tap_g, c: props.hotTapC ?? 0 },
    { key: 'kettle', g: water.kettle_g, c: props.kettleC },
    { key: 'ice', g: water.ice_g, c: props.iceC ?? 0 },
  ] as const
  const most = Math.max(...all.map((jug) => jug.g))
  return all
    .filter((jug) => jug.g >= 0.5)
    .map((jug) => ({ ...jug, word: words.plan.jugs[jug.key], level: 8 + 52 * (jug.g / most) }))
})
</script>

<template>
  <div class="jugs" :class="{ big }">
    <figure v-for="jug in jugs" :key="jug.key">
      <svg viewBox="0 0 72 78" aria-hidden="true">
        <path
          v-if="jug.key !== 'ice'"
          class="fill"
          :d="`M${11 + (66 - jug.level) * 0.06} ${72 - jug.level}H${53 - (66 - jug.level) * 0.06}L50 72H14Z`"
        />
        <g v-else>
          <rect
            v-for="cube in 5"
            :key="cube"
            class="cube"
            :x="15 + ((cube - 1) % 3) * 11"
            :y="60 - Math.floor((cube - 1) / 3) * 11"
            width="10"
            height="10"
          />
        </g>
        <path class="jug" d="M10 6L14 72H50L54 6M10 6L5 3M54 16C66 16 66 46 51 48" />
      </svg>
      <figcaption>
        <strong>{{ mass(jug.g) }}</strong>
        <span class="small quiet">{{ jug.word }} {{ degree(jug.c) }}</span>
      </figcaption>
    </figure>
  </div>
</template>

<style scoped>
.jugs {
  display: flex;
  gap: 16px;
  margin: 8px 0 4px;
}
.jugs:not(.big) figure {
  flex: 1;
}
svg {
  display: block;
  width: 72px;
  height: 78px;
}
.big {
  flex-wrap: wrap;
  gap: 16px 40px;
}
.big svg {
  width: 120px;
  height: 130px;
}
.big strong {
  font: 650 1.875rem/1.1 var(--show);
}
figcaption {
  display: grid;
  line-height: 1.25;
}
.jug {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
  stroke-linejoin: round;
}
.fill {
  fill: var(--steam);
  opacity: 0.55;
}
.cube {
  fill: none;
  stroke: var(--steam);
  stroke-width: 1.8;
}
</style>
