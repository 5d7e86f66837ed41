<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { api, ask, type Schemas } from '../../api/client'
import LoafMark from '../../charts/LoafMark.vue'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import TextField from '../../forms/TextField.vue'
import { useActing } from '../../shell/acting'
import AskedState from '../../shell/AskedState.vue'
import { useAbout } from '../../shell/title'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import LogPage from './LogPage.vue'
import { partsBeside } from './partsBeside'

/** One trial: its sides, judged side by side, concluded in the baker's words. */
const t = words.log
const route = useRoute()
const client = useQueryClient()
const { day, say } = useUnits()
const key = computed(() => String(route.params.id))
const found = reactive(
  useQuery({
    queryKey: ['trials', key],
    queryFn: () => ask(api.GET('/api/trials/{key}', { params: { path: { key: key.value } } })),
  }),
)
const shown = computed(() => found.data?.trial ?? null)
const trial = computed(() => shown.value?.trial ?? null)
useAbout(() => trial.value?.question)
const nameOf = (place: number) => {
  const side = trial.value!.sides[place]!
  const line = shown.value!.sides[place]
  return [side.part, side.says, !side.part && line ? day(line.out ?? line.started) : '']
    .filter(Boolean)
    .join(' · ')
}
const better = ref('')
const conclusion = ref('')
watch(
  trial,
  (one) => {
    better.value = one?.better == null ? '' : String(one.better)
    conclusion.value = one?.conclusion ?? ''
  },
  { immediate: true },
)
const options = computed(() => [
  ...(trial.value?.sides ?? []).map((_, place) => ({ value: String(place), label: nameOf(place) })),
  { value: '-1', label: t.neither },
])
const judged = computed(() => trial.value?.better ?? null)
const compareOf = computed(() =>
  (trial.value?.sides ?? []).map(({ bake, part }) => partsBeside(bake, [part])).join(','),
)
const hidden = computed(() => Boolean(trial.value?.blind && judged.value === null))
/** How sure the liking is, once more than one pair speaks. */
const likes = computed(() => {
  const found = shown.value?.pooled.liking
  if (!found || (shown.value?.pooled.pairs ?? 0) < 2) return null
  return {
    side: found.side,
    percent: Math.round(100 * found.sure),
    low: Math.round(10 * found.low),
    high: Math.round(10 * found.high),
  }
})
const { problem: wrong, act } = useActing()
const taken = (asked: Promise<Schemas['TrialAnswer']>) =>
  act(async () => {
    client.setQueryData(['trials', key.value], await asked)
    for (const queryKey of [['trials'], ['bakes']]) await client.invalidateQueries({ queryKey })
  })
const path = computed(() => ({ params: { path: { key: key.value } } }))
const conclude = () =>
  taken(
    ask(
      api.PUT('/api/trials/{key}/conclusion', {
        ...path.value,
        body: { better: Number(better.value), conclusion: conclusion.value },
      }),
    ),
  )
const reopen = () => taken(ask(api.DELETE('/api/trials/{key}/conclusion', path.value)))
const putAway = (away: boolean) =>
  taken(ask(api.POST('/api/trials/{key}/put-away', { ...path.value, body: { away } })))
</script>

<template>
  <LogPage :title="t.trialTitle" :titled="trial !== null" to="/log/trials" :back="t.trials">
    <AskedState :query="found">
      <template v-if="shown && trial">
        <h1>{{ trial.question }}</h1>
        <p class="quiet">{{ t.ofFormula({ formula: shown.formula_name, day: day(shown.at) }) }}</p>
        <p v-if="shown.put_away" role="status">
          {{ t.putAwayDone }} <ElButton class="link" @click="putAway(false)">{{ t.undo }}</ElButton>
        </p>
        <p v-if="hidden">{{ t.isBlind }}</p>
        <ol class="sides">
          <li v-for="(side, place) in trial.sides" :key="place" :class="{ better: judged === place }">
            <h2>{{ nameOf(place) }}</h2>
            <LoafMark v-if="shown.loaves[place]" :loaf="shown.loaves[place]!" :width="110" />
            <p v-if="shown.loaves[place]?.liked">
              {{ words.loaf.liking({ of: shown.loaves[place]!.liked! }) }}
            </p>
            <p v-if="!shown.sides[place]?.out" class="quiet">{{ t.notBaked }}</p>
            <RouterLink v-else :to="`/log/${side.bake}?loaf=${encodeURIComponent(side.part)}`">{{
              t.judgeLoaf
            }}</RouterLink>
          </li>
        </ol>
        <p v-if="shown.ready && !hidden" class="no-print">
          <RouterLink :to="{ path: '/log/compare', query: { of: compareOf } }">{{ t.compare }}</RouterLink>
        </p>
        <form v-if="shown.ready && judged === null" class="no-print" @submit.prevent="conclude">
          <ChoiceRow v-model="better" :legend="t.which" :options="options" />
          <TextField v-model="conclusion" class="note" :label="t.conclusion" :most="2000" :rows="3" />
          <ElButton native-type="submit" class="action" :disabled="better === ''">{{ t.conclude }}</ElButton>
        </form>
        <section v-else-if="judged !== null" class="came">
          <h2>{{ judged < 0 ? t.noBetter : t.better({ side: nameOf(judged) }) }}</h2>
          <p class="said">{{ trial.conclusion }}</p>
          <ElButton class="link no-print" @click="reopen">{{ t.reopen }}</ElButton>
        </section>
        <p v-if="wrong" class="inverted notice" role="alert">{{ wrong }}</p>
        <section>
          <h2 class="small-title">{{ t.pooled }}</h2>
          <p>{{ say(shown.pooled.worth) }}</p>
          <p v-if="shown.pooled.pairs > 1" class="small quiet">
            <template v-for="({ side, count }, index) in shown.pooled.wins" :key="side">
              <template v-if="index"> · </template>{{ t.wins({ side, count }) }} </template
            ><template v-if="shown.pooled.neither">
              · {{ t.draws({ count: shown.pooled.neither }) }}</template
            >
          </p>
          <p v-if="likes" class="sure">
            {{ t.sure(likes) }}
          </p>
          <template v-if="shown.apart?.length">
            <h3>{{ t.apart }}</h3>
            <ul>
              <li v-for="line in shown.apart" :key="line">{{ say(line) }}</li>
            </ul>
          </template>
        </section>
        <p class="no-print">
          <RouterLink :to="`/log/formula/${shown.formula_id}`">{{ t.history }}</RouterLink>
          <ElButton v-if="!shown.put_away" class="link" @click="putAway(true)">{{ t.putAway }}</ElButton>
        </p>
      </template>
    </AskedState>
  </LogPage>
</template>

<style scoped>
.notice {
  padding: 12px 18px;
  border-radius: var(--corner);
}
.sides {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(240px, 1fr));
  gap: 14px 28px;
}
.sides li {
  display: grid;
  gap: 4px;
  align-content: start;
  padding-top: 10px;
  border-top: 1.5px solid var(--hairline);
}
.sides .better {
  border-top: 4px solid var(--ink);
}
.sides h2 {
  font-size: 1.375rem;
}
form {
  display: grid;
  gap: 12px;
  justify-items: start;
}
.note {
  width: 100%;
}
.came {
  padding-left: 16px;
  border-left: 4px solid var(--ink);
}
.said {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
  font-size: 1.1875rem;
}
.small-title {
  font-size: 1.125rem;
}
</style>
