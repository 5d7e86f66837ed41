<script setup lang="ts">
import type { Mend, Plan } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

defineProps<{ plan: Plan; mends: Mend[] | null; underWay?: boolean }>()
defineEmits<{ mend: [Mend] }>()
const { say } = useUnits()
</script>

<template>
  <section class="trouble inverted" role="status" aria-live="polite">
    <div>
      <h2>{{ words.plan.trouble }}</h2>
      <p v-for="problem in plan.problems" :key="problem.code + problem.stage + problem.part">
        {{ say(problem.sentence) }}
      </p>
    </div>
    <div class="mends">
      <p class="small">
        <template v-if="underWay">
          {{ plan.problems.map((problem) => words.plan.underWay[problem.code] ?? '').join(' ') }}
        </template>
        <template v-else>
          {{ mends === null ? words.plan.looking : mends.length ? words.plan.mends : words.plan.noMend }}
        </template>
      </p>
      <button v-for="mend in mends ?? []" :key="mend.sentence" type="button" @click="$emit('mend', mend)">
        {{ say(mend.sentence) }}
      </button>
    </div>
  </section>
</template>

<style scoped>
.trouble {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr);
  gap: 8px 28px;
  padding: 14px 18px;
  border-radius: var(--corner);
}
h2 {
  margin-bottom: 4px;
}
.mends {
  display: grid;
  gap: 8px;
  align-content: start;
}
button {
  min-height: 44px;
  padding: 6px 12px;
  border: 1.5px solid var(--flour);
  border-radius: var(--corner);
  background: none;
  text-align: left;
  font-weight: 600;
  line-height: 1.25;
  cursor: pointer;
}
button:hover {
  background: var(--flour);
  color: var(--ink);
}
@media (max-width: 720px) {
  .trouble {
    grid-template-columns: 1fr;
  }
}
</style>
