<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { Schemas } from '../../api/client'
import { words } from '../../words'

/** How the latest doughs were read, and how eye and finger err. */
const props = defineProps<{ score: Schemas['DrillScore'] }>()
const t = words.drill
const FROM = 5
const STATES_OFF = 0.3
const POINTS_OFF = 4
const said = computed(() => {
  const { doughs, right, near, bits } = props.score
  return t.score({ doughs, right, near, bits: (bits ?? 0).toFixed(1) })
})
const biases = computed(() => {
  const { doughs, riper, eye_percent: eye } = props.score
  const found = []
  if (doughs >= FROM && Math.abs(riper ?? 0) >= STATES_OFF) found.push(riper! > 0 ? t.early : t.late)
  if (eye != null && Math.abs(eye) >= POINTS_OFF)
    found.push(t.eyeBias({ by: Math.abs(eye), way: eye > 0 ? 'high' : 'low' }))
  return found
})
</script>

<template>
  <section class="score" role="status">
    <p>{{ said }}</p>
    <p v-for="bias in biases" :key="bias">{{ bias }}</p>
    <p v-if="biases.length" class="small quiet">
      {{ t.offered }} <RouterLink to="/log/learnt">{{ t.toLearnt }}</RouterLink>
    </p>
  </section>
</template>

<style scoped>
.score {
  padding-left: 14px;
  border-left: 4px solid var(--ink);
}
</style>
