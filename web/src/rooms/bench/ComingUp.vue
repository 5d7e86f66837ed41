<script setup lang="ts">
import { useQueries, useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Schemas } from '../../api/client'
import BenchRibbons from '../../charts/BenchRibbons.vue'
import { programNow, type BenchDough } from '../../shell/bench'
import { words } from '../../words'

/** What is coming while the bench is empty: saved plans and cultures that are awake, on the clock of the bench. */
defineProps<{ now: number; cultures: Schemas['CultureLine'][] }>()
const MOST = 3
const AHEAD_H = 48
const router = useRouter()
const lines = useQuery({
  queryKey: ['plans', 'first'],
  queryFn: () => ask(api.GET('/api/plans', { params: { query: { baked: false } } })),
})
const coming = computed(() =>
  (lines.data.value?.plans ?? [])
    .filter((line) => line.state === 'planned' && Date.parse(line.ready) > programNow())
    .sort((a, b) => a.begins.localeCompare(b.begins))
    .slice(0, MOST),
)
const plans = useQueries({
  queries: computed(() =>
    coming.value.map(({ id, saved_at }) => ({
      queryKey: ['plan', id, saved_at],
      queryFn: () => ask(api.GET('/api/plans/{key}', { params: { path: { key: id } } })),
    })),
  ),
})
/** A plan as a dough of which nothing is done yet. */
function asDough({ id, plan, formula, asked }: Schemas['SavedPlanAnswer']): BenchDough {
  const steps = plan.steps.map((step) => ({ ...step, say: '', state: 'coming' as const }))
  return {
    id,
    name: formula.name,
    mind: asked.mind ?? '',
    pieces: asked.pieces ?? 1,
    each_g: asked.scaling_weight_g ?? 0,
    vessel: '',
    vessel_kind: '',
    rye_percent: 0,
    started: plan.steps[0]!.at,
    mixed: plan.steps[0]!.at,
    out: plan.out,
    load: plan.out,
    steps,
    next: steps[0]?.key ?? null,
    over: false,
    standing: {
      stage: 'gluten',
      rise: null,
      dough_c: null,
      share: null,
      share_target: null,
      pace: null,
      past_peak: false,
    },
    ribbon: plan.ribbon,
    outs: plan.outs,
    told: '',
    doubts: [],
    clashes: [],
    snoozed: {},
    history: [],
    events_in_all: 0,
    probe: null,
    may_fold: false,
    judged_bulk_rise: 0,
  }
}
const doughs = computed(() => plans.value.flatMap(({ data }) => (data ? [asDough(data)] : [])))
</script>

<template>
  <section v-if="doughs.length || cultures.length">
    <h2>{{ words.bench.coming }}</h2>
    <BenchRibbons
      :doughs="doughs"
      :cultures="cultures"
      :now="now"
      :chosen="null"
      :ahead="AHEAD_H"
      @choose="(id: string) => router.push(`/plan/${id}`)"
    />
  </section>
</template>

<style scoped>
h2 {
  margin-bottom: 4px;
}
</style>
