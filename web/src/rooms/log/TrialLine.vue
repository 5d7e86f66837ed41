<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { Schemas } from '../../api/client'
import LoafMark from '../../charts/LoafMark.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** A trial in a few lines: its question, its sides with their loaves, and what came of it. */
const props = defineProps<{ found: Schemas['TrialShown'] }>()
const t = words.log
const { day, say } = useUnits()
const better = computed(() => props.found.trial.better ?? null)
const nameOf = (place: number) => {
  const side = props.found.trial.sides[place]!
  return side.says || side.part || day(props.found.sides[place]?.out ?? props.found.at)
}
</script>

<template>
  <article class="trial">
    <h3>
      <RouterLink :to="`/log/trials/${found.id}`">{{ found.trial.question }}</RouterLink>
    </h3>
    <p class="small quiet">{{ t.ofFormula({ formula: found.formula_name, day: day(found.at) }) }}</p>
    <ul>
      <li v-for="(_, place) in found.trial.sides" :key="place" :class="{ better: better === place }">
        <LoafMark v-if="found.loaves[place]" :loaf="found.loaves[place]!" :width="44" />
        <span>{{ nameOf(place) }}</span>
      </li>
    </ul>
    <p v-if="better !== null">
      <strong>{{ better < 0 ? t.noBetter : t.better({ side: nameOf(better) }) }}</strong>
      {{ found.trial.conclusion }}
    </p>
    <p class="small quiet">
      <template v-if="found.trial.blind && better === null">{{ t.isBlind }} </template>
      {{ found.ready || better !== null ? say(found.pooled.worth) : t.notBaked }}
    </p>
  </article>
</template>

<style scoped>
.trial {
  display: grid;
  gap: 4px;
  padding: 14px 0;
  border-bottom: 1px solid var(--hairline);
}
h3 {
  font: 650 1.25rem/1.25 var(--show);
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 28px;
}
li {
  display: flex;
  gap: 10px;
  align-items: center;
}
.better span {
  font-weight: 650;
  border-bottom: 3px solid var(--ink);
}
</style>
