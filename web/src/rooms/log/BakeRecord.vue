<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, defineAsyncComponent, reactive, ref } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { api, ask, type Schemas } from '../../api/client'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import { useBench } from '../../shell/bench'
import AskedState from '../../shell/AskedState.vue'
import { useAbout } from '../../shell/title'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import { byHand } from '../bench/byHand'
import BakeWay from './BakeWay.vue'
import LoafSaid from './LoafSaid.vue'
import LogPage from './LogPage.vue'
import { partsBeside } from './partsBeside'
import RecordPhotos from './RecordPhotos.vue'
import RecordSteps from './RecordSteps.vue'
import type { Sheet } from './sheet'
import TrialLine from './TrialLine.vue'
import UndoLine from '../bench/UndoLine.vue'

const AgainSheet = defineAsyncComponent(() => import('./AgainSheet.vue'))
const LoafSheet = defineAsyncComponent(() => import('./LoafSheet.vue'))
const WhySo = defineAsyncComponent(() => import('./WhySo.vue'))

/** One bake's record: what was done when, read, judged, changed, written and photographed; and what comes to mind later. */
const t = words.bakes
const route = useRoute()
const client = useQueryClient()
const { day, dayClock, clock, warmth, mass, say } = useUnits()
const { press, refused } = useBench()
const log = words.log
const key = computed(() => String(route.params.id))
const found = reactive(
  useQuery({
    queryKey: ['bakes', key],
    queryFn: () => ask(api.GET('/api/bakes/{key}', { params: { path: { key: key.value } } })),
  }),
)
const bake = computed(() => found.data?.bake ?? null)
useAbout(() => bake.value?.line.name)
const figure = (kind: string, value: number) =>
  kind.endsWith('_c') ? warmth(value) : kind === 'ready' ? '' : `+${Math.round(100 * value)} %`
const named = (stage: string, verdict: string) =>
  (stage === 'baked' ? words.judge.baked[verdict] : words.judge.verdicts[verdict]) ?? verdict

const note = ref('')
const how = ref<'under' | 'right' | 'over' | ''>('')
const latest = computed(() => bake.value?.outcomes.at(-1) ?? null)
async function send(
  kind: 'bake_note' | 'bake_outcome' | 'bake_loaf' | 'bake_removed' | 'bake_corrected',
  body: Record<string, unknown>,
  says: string,
) {
  await press(key.value, kind, body, says)
  await client.invalidateQueries({ queryKey: ['bakes'] })
}
async function keepNote() {
  const text = note.value.trim()
  if (!text) return
  await send('bake_note', { text }, words.bench.says.note)
  if (!refused.value) note.value = ''
}
async function keepOutcome(value: 'under' | 'right' | 'over' | '') {
  if (!value) return
  how.value = value
  await send('bake_outcome', { how: value }, words.bench.says.outcome)
  how.value = ''
}
/** Whether the loaf's sheet is open; a link from elsewhere may have asked for it. */
const judging = ref(route.query.loaf !== undefined)
async function keepLoaf(sheet: Sheet) {
  judging.value = false
  await send('bake_loaf', sheet as Record<string, unknown>, words.loaf.kept)
}
/** What was measured last of a loaf's slice on its day. */
const sliceOf = ({ part, day: on }: Schemas['Sheet']) =>
  on
    ? null
    : (bake.value?.photos ?? []).filter((each) => each.slice && each.part === part).at(-1)?.slice?.read
const again = ref(false)
const remove = () => send('bake_removed', {}, log.says.removed)
const correct = (body: { event: string; at: string }) =>
  send('bake_corrected', body, words.bench.says.corrected)
const print = () => window.print()
const trials = computed(() => found.data?.trials ?? [])
/** Parts of a blind trial are set side by side once it is judged. */
const hidden = computed(() => trials.value.some(({ trial }) => trial.blind && trial.better === null))
const besideOf = computed(() => partsBeside(key.value, bake.value?.parts ?? []))
const more = (outcome: Schemas['RecordOutcome']) =>
  Object.entries(outcome.more)
    .map(([name, value]) => `${name.replaceAll('_', ' ')}: ${String(value)}`)
    .join(', ')
</script>

<template>
  <LogPage :title="t.steps" :titled="bake !== null">
    <AskedState :query="found" :rows="6">
      <template v-if="bake">
        <header>
          <h1>{{ bake.line.name }}</h1>
          <p class="lead">
            {{ day(bake.line.out ?? bake.line.started)
            }}<template v-if="bake.line.out">, {{ t.out({ when: clock(bake.line.out) }) }}</template> ·
            {{ t.line({ pieces: bake.line.pieces }) }},
            {{ mass(bake.each_g) }}
            <template v-if="bake.line.state !== 'baked'"> · {{ t.states[bake.line.state] }}</template>
          </p>
          <p v-if="bake.line.afterwards" class="quiet">{{ log.entered }}</p>
          <p v-if="bake.line.faults.length">{{ log.faults({ faults: bake.line.faults.join(', ') }) }}</p>
          <div v-if="bake.line.state === 'baked'" class="does no-print">
            <ElButton class="plain" @click="again = true">{{ log.again }}</ElButton>
            <RouterLink :to="`/log/formula/${bake.line.formula_id}`">{{ log.history }}</RouterLink>
            <ElButton class="link" @click="print">{{ log.print }}</ElButton>
            <a :href="`/api/log/file?bake=${key}`" download>{{ log.write }}</a>
            <ElPopconfirm
              v-if="!bake.line.removed"
              :title="log.removeSure"
              :confirm-button-text="log.yes"
              :cancel-button-text="log.no"
              width="260"
              @confirm="remove"
            >
              <template #reference>
                <ElButton class="link">{{ log.remove }}</ElButton>
              </template>
            </ElPopconfirm>
          </div>
        </header>
        <AgainSheet v-if="again" :id="key" :name="bake.line.name" @close="again = false" />
        <p v-if="refused" class="inverted notice" role="alert">{{ refused }}</p>
        <UndoLine @back="client.invalidateQueries({ queryKey: ['bakes'] })" />

        <BakeWay v-if="bake.line.drawn" :drawn="bake.line.drawn" :loaf="bake.line.loaf" />
        <section v-if="bake.line.out && bake.line.state !== 'stopped'" class="loaves">
          <header>
            <h2>{{ words.loaf.sheets }}</h2>
            <ElButton class="no-print" @click="judging = true">{{ words.loaf.judge }}</ElButton>
          </header>
          <p v-if="bake.parts.length > 1 && !hidden" class="no-print">
            <RouterLink :to="{ path: '/log/compare', query: { of: besideOf } }">{{ log.beside }}</RouterLink>
          </p>
          <p v-if="!bake.loaves.length" class="quiet">{{ words.loaf.none }}</p>
          <LoafSaid v-for="loaf in bake.loaves" :key="loaf.id" :loaf="loaf" :slice="sliceOf(loaf.sheet)" />
        </section>
        <WhySo v-if="bake.loaves.length && !hidden" :bake="key" />
        <LoafSheet
          v-if="judging && bake.line.out"
          :name="bake.line.name"
          :parts="bake.parts"
          :pieces="bake.line.pieces"
          :lengths="bake.lengths"
          :chips="found.data?.chips ?? []"
          :loaves="bake.loaves"
          :day="bake.days"
          :part="String(route.query.loaf ?? '')"
          @close="judging = false"
          @keep="keepLoaf"
        />

        <div class="columns">
          <RecordSteps :steps="bake.steps" @correct="correct" />

          <div class="told">
            <section>
              <h2>{{ t.outcome }}</h2>
              <p v-for="outcome in bake.outcomes" :key="outcome.id">
                {{ t.proofSaid({ how: words.bench.outcomes[outcome.how] ?? outcome.how }) }}
                <template v-if="more(outcome)"> · {{ more(outcome) }}</template>
                <span class="small quiet"> {{ day(outcome.at) }}</span>
              </p>
              <ChoiceRow
                v-if="!latest"
                class="no-print"
                :model-value="how"
                :legend="t.proofWas"
                :options="
                  (['under', 'right', 'over'] as const).map((value) => ({
                    value,
                    label: words.bench.outcomes[value]!,
                  }))
                "
                @update:model-value="keepOutcome"
              />
            </section>
            <section v-if="bake.readings.length">
              <h2>{{ t.read }}</h2>
              <ul>
                <li v-for="reading in bake.readings" :key="reading.id">
                  <span class="clock">{{ dayClock(reading.at) }}</span>
                  {{ figure(reading.kind, reading.value) }}
                  <span class="quiet">{{ t.kinds[reading.kind] }}</span>
                </li>
              </ul>
            </section>
            <section v-if="bake.verdicts.length">
              <h2>{{ t.verdicts }}</h2>
              <ul>
                <li v-for="verdict in bake.verdicts" :key="verdict.at">
                  <span class="clock">{{ dayClock(verdict.at) }}</span>
                  {{ t.stageNames[verdict.stage] }}:
                  {{ named(verdict.stage, verdict.verdict).toLowerCase() }}.
                  <span class="quiet">{{ say(verdict.do) }}</span>
                </li>
              </ul>
            </section>
            <section v-if="bake.changes.length || bake.edits.length">
              <h2>{{ t.changes }}</h2>
              <ul>
                <li v-for="change in bake.changes" :key="change.id">
                  <span class="clock">{{ dayClock(change.at) }}</span> {{ say(change.text) }}
                </li>
                <li v-for="edit in bake.edits" :key="edit.id">
                  <span class="clock">{{ dayClock(edit.at) }}</span> {{ byHand(edit.body) }}
                </li>
              </ul>
            </section>
            <section>
              <h2>{{ t.words }}</h2>
              <ul v-if="bake.notes.length">
                <li v-for="one in bake.notes" :key="one.id" class="words">
                  <span class="clock">{{ dayClock(one.at) }}</span> {{ one.text }}
                </li>
              </ul>
              <form class="no-print" @submit.prevent="keepNote">
                <label class="small quiet" for="later-note">{{ t.addNoteHint }}</label>
                <ElInput
                  id="later-note"
                  v-model="note"
                  type="textarea"
                  :autosize="{ minRows: 2, maxRows: 8 }"
                  maxlength="2000"
                />
                <ElButton native-type="submit" :disabled="!note.trim()">{{ t.keep }}</ElButton>
              </form>
            </section>
            <section v-if="trials.length">
              <h2>{{ log.trials }}</h2>
              <TrialLine v-for="one in trials" :key="one.id" :found="one" />
            </section>
            <section v-if="bake.unreadable.length" class="odd">
              <h2>{{ t.unreadable }}</h2>
              <p>{{ t.unreadableMore({ count: bake.unreadable.length }) }}</p>
            </section>
          </div>
        </div>

        <RecordPhotos
          v-if="bake.photos.length || bake.line.out"
          :bake="key"
          :photos="bake.photos"
          :parts="bake.parts"
          :loaves="bake.loaves"
        />
      </template>
    </AskedState>
  </LogPage>
</template>

<style scoped>
.lead {
  font-size: 1.1875rem;
}
h2 {
  margin-bottom: 6px;
}
.notice {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 12px 18px;
  border-radius: var(--corner);
}
.does {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 20px;
  align-items: center;
  margin-top: 8px;
}
.loaves header {
  display: flex;
  gap: 20px;
  align-items: center;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1.15fr) minmax(0, 1fr);
  gap: 32px 56px;
  margin-top: 10px;
}
.told {
  display: grid;
  align-content: start;
  gap: 24px;
}
.told li {
  padding: 6px 0;
  border-bottom: 1px solid var(--hairline);
}
.told .clock {
  margin-right: 10px;
}
.words {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
form {
  display: grid;
  gap: 8px;
  justify-items: start;
  margin-top: 12px;
}
.odd {
  padding-left: 12px;
  border-left: 3px solid var(--ink);
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
