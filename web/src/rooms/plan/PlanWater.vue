<script setup lang="ts">
import { RouterLink } from 'vue-router'
import type { Plan } from '../../api/client'
import WaterJugs from '../../charts/WaterJugs.vue'
import { useKitchen } from '../../shell/kitchen'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

defineProps<{ plan: Plan; formula: string; pieces: number }>()
const { warmth } = useUnits()
const { settings } = useKitchen()
const t = words.plan
</script>

<template>
  <section class="water">
    <h3>
      {{ t.water }} <span class="clock">{{ warmth(plan.water.drawn_c) }}</span>
    </h3>
    <WaterJugs
      :water="plan.water"
      :tap-c="plan.tap_c"
      :kettle-c="plan.kettle_c"
      :hot-tap-c="settings?.hot_tap_c"
    />
    <p v-for="warning in plan.water.warnings" :key="warning.code" class="small mind">{{ warning.text }}</p>
    <RouterLink class="small no-print" :to="{ path: '/water', query: { formula, pieces } }">{{
      t.atTheBowl
    }}</RouterLink>
  </section>
</template>

<style scoped>
h3 {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  font-size: 1.0625rem;
  font-weight: 650;
}
h3 .clock {
  font-size: 1.375rem;
}
.mind {
  margin: 6px 0;
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
</style>
