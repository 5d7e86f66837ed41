<script setup lang="ts">
import { computed } from 'vue'
import type { Plan } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

const props = defineProps<{ plan: Plan }>()
const { mass, warmth, degree } = useUnits()

const jugs = computed(() => {
  const { water } = props.plan
  const most = Math.max(water.tap_g, water.kettle_g, water.ice_g)
  return [
    { word: words.plan.tap, g: water.tap_g, warm: degree(props.plan.tap_c) },
    { word: words.plan.kettle, g: water.kettle_g, warm: degree(props.plan.kettle_c) },
    { word: words.plan.ice, g: water.ice_g, warm: degree(0) },
  ]
    .filter((jug) => jug.g >= 0.5)
    .map((jug) => ({ ...jug, level: 8 + 52 * (jug.g / most) }))
})
</script>

<template>
  <section class="water">
    <h3>
      {{ words.plan.water }} <span class="clock">{{ warmth(plan.water.water_c) }}</span>
    </h3>
    <div class="jugs">
      <figure v-for="jug in jugs" :key="jug.word">
        <svg width="72" height="78" viewBox="0 0 72 78" aria-hidden="true">
          <path
            v-if="jug.word !== words.plan.ice"
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
          <span class="small quiet">{{ jug.word }} {{ jug.warm }}</span>
        </figcaption>
      </figure>
    </div>
    <p v-for="warning in plan.water.warnings" :key="warning.code" class="small mind">{{ warning.text }}</p>
  </section>
</template>

<style scoped>
h3 {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  font-size: 17px;
  font-weight: 650;
}
h3 .clock {
  font-size: 22px;
}
.jugs {
  display: flex;
  gap: 16px;
  margin: 8px 0 4px;
}
figure {
  flex: 1;
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
.mind {
  margin-top: 6px;
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
</style>
