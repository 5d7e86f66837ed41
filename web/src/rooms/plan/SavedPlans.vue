<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { api, ask, type PlanLine } from '../../api/client'
import { usePages } from '../../shell/pages'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

defineProps<{ current: string | null }>()
const emit = defineEmits<{ gone: [string] }>()
const client = useQueryClient()
const { dayClock } = useUnits()
const plans = usePages(['plans', 'pages'], async (more) => {
  const found = await ask(api.GET('/api/plans', { params: { query: { more, baked: false } } }))
  return { lines: found.plans, more: found.more ?? '' }
})
const away = ref<PlanLine | null>(null)

async function putAway(line: PlanLine) {
  await ask(api.DELETE('/api/plans/{key}', { params: { path: { key: line.id } } }))
  away.value = line
  await client.invalidateQueries({ queryKey: ['plans'] })
  emit('gone', line.id)
}

async function bringBack() {
  if (!away.value) return
  await ask(api.POST('/api/plans/{key}/restore', { params: { path: { key: away.value.id } } }))
  away.value = null
  await client.invalidateQueries({ queryKey: ['plans'] })
}
</script>

<template>
  <section v-if="plans.lines.value.length || away" class="saved no-print">
    <h2>{{ words.plan.savedPlans }}</h2>
    <p v-if="away" class="undo small" role="status">
      {{ away.formula_name }} {{ words.plan.putAway }}
      <ElButton class="link" @click="bringBack">{{ words.undo }}</ElButton>
    </p>
    <ul>
      <li v-for="line in plans.lines.value" :key="line.id" :class="{ here: line.id === current }">
        <RouterLink :to="`/plan/${line.id}`">
          <strong>{{ line.formula_name }}</strong>
          <span class="small quiet"
            >{{ words.plan.says.saved({ count: line.pieces, when: dayClock(line.ready) })
            }}<template v-if="line.state !== 'planned'">
              · {{ words.bakes.states[line.state] }}</template
            ></span
          >
        </RouterLink>
        <ElButton
          class="link small"
          :aria-label="`${words.plan.deletePlan}: ${line.formula_name}, ${dayClock(line.ready)}`"
          @click="putAway(line)"
        >
          {{ words.plan.deletePlan }}
        </ElButton>
      </li>
    </ul>
    <ElButton v-if="plans.more.value" :loading="plans.busy.value" class="earlier" @click="plans.further()">{{
      words.earlier
    }}</ElButton>
  </section>
</template>

<style scoped>
h2 {
  font-size: 1.0625rem;
  margin-bottom: 4px;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  border-bottom: 1px solid var(--hairline);
}
li a {
  display: grid;
  padding: 8px 0;
  line-height: 1.25;
  text-decoration: none;
  min-width: 0;
}
li a:hover strong {
  text-decoration: underline;
}
.here strong::before {
  content: '▸ ';
}
.earlier {
  margin-top: 10px;
}
.link {
  white-space: nowrap;
}
</style>
