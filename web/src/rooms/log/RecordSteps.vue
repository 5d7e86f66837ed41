<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import ClockField from '../../forms/ClockField.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** What was done, day by day, beside when it was planned; a time that was not so can be put right. */
const props = defineProps<{ steps: Schemas['RecordStep'][] }>()
const emit = defineEmits<{ correct: [{ event: string; at: string }] }>()
const t = words.bakes
const { day, clock, dayKey, span } = useUnits()
type Step = Schemas['RecordStep']
const days = computed(() => {
  const groups: { day: string; steps: Step[] }[] = []
  for (const step of props.steps) {
    const name = day(step.at)
    if (groups.at(-1)?.day !== name) groups.push({ day: name, steps: [] })
    groups.at(-1)!.steps.push(step)
  }
  return groups
})
function besidePlan(step: Step): string {
  if (step.guessed) return words.log.guess
  if (step.skipped) return t.leftOut
  if (!step.planned || step.late_min === null) return ''
  if (step.late_min === 0) return t.asPlanned
  const late = (step.late_min > 0 ? t.later : t.sooner)({ span: span(step.late_min) })
  return `${late}, ${t.planned({ at: clock(step.planned) })}`
}
const moving = ref('')
const at = ref('')
function open(step: Step) {
  moving.value = moving.value === step.key ? '' : step.key
  at.value = clock(step.at)
}
/** The time of that day by the kitchen's clock: the program makes an instant of it. */
function correct(step: Step) {
  emit('correct', { event: step.event, at: `${dayKey(step.at)}T${at.value}` })
  moving.value = ''
}
</script>

<template>
  <section>
    <h2>{{ t.steps }}</h2>
    <p v-if="!steps.length" class="quiet">{{ t.nothing }}</p>
    <template v-for="group in days" :key="group.day">
      <h3>{{ group.day }}</h3>
      <ol>
        <li v-for="step in group.steps" :key="step.key" :class="{ out: step.skipped }">
          <ElButton
            class="link clock"
            :aria-expanded="moving === step.key"
            :aria-label="`${clock(step.at)} ${step.title}: ${words.bench.correct}`"
            @click="open(step)"
          >
            {{ clock(step.at) }}
          </ElButton>
          <span>{{ step.title }}</span>
          <span class="small quiet beside">{{ besidePlan(step) }}</span>
          <form v-if="moving === step.key" class="no-print" @submit.prevent="correct(step)">
            <ClockField v-model="at" :label="words.bench.when" steps />
            <ElButton native-type="submit">{{ words.bench.correct }}</ElButton>
          </form>
        </li>
      </ol>
    </template>
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 6px;
}
h3 {
  margin: 12px 0 2px;
  font: 650 1.0625rem/1.3 var(--show);
}
li {
  display: grid;
  grid-template-columns: 60px minmax(0, 1fr) auto;
  gap: 0 12px;
  align-items: center;
  border-bottom: 1px solid var(--hairline);
}
.out > :nth-child(2) {
  color: var(--quiet);
  text-decoration: line-through;
}
.beside {
  text-align: right;
}
form {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: end;
  padding: 4px 0 12px;
}
@media (max-width: 720px) {
  li {
    grid-template-columns: 56px minmax(0, 1fr);
  }
  .beside {
    grid-column: 2;
    padding-bottom: 6px;
    text-align: left;
  }
}
</style>
