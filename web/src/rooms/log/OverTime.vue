<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask } from '../../api/client'
import FigureDots from '../../charts/FigureDots.vue'
import PickField from '../../forms/PickField.vue'
import AskedState from '../../shell/AskedState.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import LogFrame from './LogFrame.vue'

/** Figures over time, and how right forecasts and verdicts have been. */
const t = words.log
const router = useRouter()
const { day, span, warmth } = useUnits()
const ANY = 'any'
const formula = ref(ANY)
const choices = useQuery({
  queryKey: ['bakes', 'choices'],
  queryFn: () => ask(api.GET('/api/bakes/choices')),
})
const formulas = computed(() => [
  { value: ANY, label: t.anyFormula },
  ...(choices.data.value?.choices.formulas ?? []).map((each) => ({ value: each.key, label: each.name })),
])
const found = reactive(
  useQuery({
    queryKey: ['bakes', 'figures', formula],
    queryFn: () =>
      ask(
        api.GET('/api/bakes/figures', {
          params: { query: { formula: formula.value === ANY ? '' : formula.value } },
        }),
      ),
    placeholderData: keepPreviousData,
  }),
)
const points = computed(() => found.data?.points ?? [])
const right = computed(() => found.data?.right ?? null)
type Figure = 'dough_c' | 'bulk_min' | 'share' | 'liked'
const SAYS: Record<Figure, (value: number) => string> = {
  dough_c: (value) => warmth(value),
  bulk_min: (value) => span(60 * value),
  share: (value) => `${Math.round(100 * value)} %`,
  liked: (value) => String(Math.round(10 * value) / 10),
}
/** A bulk is drawn in hours, so that its axis has whole ones. */
const hours = (minutes: number | null | undefined) => (minutes == null ? null : minutes / 60)
const valueOf = (point: (typeof points.value)[number], name: Figure) =>
  name === 'liked' ? point.liked : name === 'bulk_min' ? hours(point.figures.bulk_min) : point.figures[name]
const drawn = computed(() =>
  (Object.keys(SAYS) as Figure[])
    .map((name) => ({
      name,
      points: points.value
        .filter((point) => valueOf(point, name) != null)
        .map((point) => ({
          id: point.id,
          at: Date.parse(point.at),
          value: valueOf(point, name)!,
          says: `${point.name}, ${day(point.at)}: ${SAYS[name](valueOf(point, name)!)}`,
        })),
    }))
    .filter((each) => each.points.length > 1),
)
const ends = computed(() => {
  const at = points.value.map((point) => Date.parse(point.at))
  return [Math.min(...at), Math.max(...at)] as const
})
</script>

<template>
  <LogFrame :lead="t.timeLead">
    <PickField
      v-if="formulas.length > 2"
      v-model="formula"
      class="pick no-print"
      :label="t.formula"
      hide-label
      :options="formulas"
    />
    <AskedState :query="found">
      <p v-if="!drawn.length" role="status">{{ t.fewPoints }}</p>
      <div class="figures">
        <FigureDots
          v-for="each in drawn"
          :key="each.name"
          :title="t.figures[each.name]!"
          :points="each.points"
          :from="ends[0]"
          :to="ends[1]"
          :say="SAYS[each.name]"
          @open="(id) => router.push(`/log/${id}`)"
        />
      </div>
      <section v-if="right">
        <h2>{{ t.rightTitle }}</h2>
        <p v-if="!right.read && !right.verdicts">{{ t.rightNone }}</p>
        <p v-if="right.read">{{ t.rightInside({ inside: right.inside, read: right.read }) }}</p>
        <p v-if="right.late_min !== null">
          {{
            t.rightLate({
              late: right.late_min,
              span: span(Math.abs(right.late_min)),
              side: right.late_min > 0 ? 'later' : 'sooner',
              within: span(right.within_min ?? 0),
            })
          }}
        </p>
        <p v-if="right.verdicts">{{ t.rightJudged({ right: right.as_judged, all: right.verdicts }) }}</p>
        <ul v-if="right.judged.length">
          <li v-for="each in right.judged" :key="each.verdict + each.how" class="small quiet">
            {{
              t.verdict({
                verdict: words.judge.verdicts[each.verdict] ?? each.verdict,
                how: words.bench.outcomes[each.how] ?? each.how,
                count: each.count,
              })
            }}
          </li>
        </ul>
      </section>
    </AskedState>
  </LogFrame>
</template>

<style scoped>
.pick {
  max-width: 300px;
}
.figures {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 400px), 1fr));
  gap: 18px 36px;
}
section {
  display: grid;
  gap: 8px;
  max-width: 68ch;
  margin-top: 12px;
}
</style>
