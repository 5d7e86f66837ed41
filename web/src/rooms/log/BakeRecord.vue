<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, defineAsyncComponent, ref } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { api, ask, Refused, type Schemas } from '../../api/client'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import { useBench } from '../../shell/bench'
import { useAbout } from '../../shell/title'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import { newKey } from '../../shell/keys'
import { byHand } from '../bench/byHand'
import PickField from '../../forms/PickField.vue'
import { shrunk } from '../cultures/picture'
import BakeWay from './BakeWay.vue'
import LoafSaid from './LoafSaid.vue'
import type { Sheet } from './sheet'
import TrialLine from './TrialLine.vue'
import UndoLine from '../bench/UndoLine.vue'

const AgainSheet = defineAsyncComponent(() => import('./AgainSheet.vue'))
const LoafSheet = defineAsyncComponent(() => import('./LoafSheet.vue'))

/** One bake's record: what was done when, read, judged, changed, written and photographed; and what comes to mind later. */
const t = words.bakes
const route = useRoute()
const client = useQueryClient()
const { day, dayClock, clock, span, warmth, mass, say } = useUnits()
const { press, refused } = useBench()
const log = words.log
const key = computed(() => String(route.params.id))
const found = useQuery({
  queryKey: ['bakes', key],
  queryFn: () => ask(api.GET('/api/bakes/{key}', { params: { path: { key: key.value } } })),
})
const bake = computed(() => found.data.value?.bake ?? null)
useAbout(() => bake.value?.line.name)
const lost = computed(() => (found.error.value instanceof Refused ? found.error.value.message : ''))
type Step = Schemas['RecordStep']

const days = computed(() => {
  const groups: { day: string; steps: Step[] }[] = []
  for (const step of bake.value?.steps ?? []) {
    const name = day(step.at)
    if (groups.at(-1)?.day !== name) groups.push({ day: name, steps: [] })
    groups.at(-1)!.steps.push(step)
  }
  return groups
})
function besidePlan(step: Step): string {
  if (step.skipped) return t.leftOut
  if (!step.planned || step.late_min === null) return ''
  if (step.late_min === 0) return t.asPlanned
  const late = (step.late_min > 0 ? t.later : t.sooner)({ span: span(step.late_min) })
  return `${late}, ${t.planned({ at: clock(step.planned) })}`
}
const figure = (kind: string, value: number) =>
  kind.endsWith('_c') ? warmth(value) : kind === 'ready' ? '' : `+${Math.round(100 * value)} %`
const named = (stage: string, verdict: string) =>
  (stage === 'baked' ? words.judge.baked[verdict] : words.judge.verdicts[verdict]) ?? verdict

const note = ref('')
const how = ref<'under' | 'right' | 'over' | ''>('')
const latest = computed(() => bake.value?.outcomes.at(-1) ?? null)
async function send(
  kind: 'bake_note' | 'bake_outcome' | 'bake_loaf',
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
const wrong = ref('')
const again = ref(false)
async function remove() {
  await press(key.value, 'bake_removed', {}, log.says.removed)
  await client.invalidateQueries({ queryKey: ['bakes'] })
}
const file = ref<HTMLInputElement | null>(null)
const WHOLE = 'whole'
const ofPart = ref(WHOLE)
const partOptions = computed(() => [
  { value: WHOLE, label: log.whole },
  ...(bake.value?.parts ?? []).map((value) => ({ value, label: value })),
])
/** A picture is made small here if it can be; one as a phone takes it goes as it is. */
async function addPhoto() {
  const picture = file.value?.files?.[0]
  if (!picture) return
  wrong.value = ''
  const found = await fetch(
    `/api/bench/${key.value}/photos/${newKey()}?part=${encodeURIComponent(ofPart.value === WHOLE ? '' : ofPart.value)}`,
    { method: 'PUT', body: await shrunk(picture, 1600), headers: { 'Taken-At': new Date().toISOString() } },
  )
  file.value!.value = ''
  if (!found.ok) {
    const body = (await found.json().catch(() => ({}))) as { detail?: string }
    wrong.value = body.detail ?? words.failed
  }
  await client.invalidateQueries({ queryKey: ['bakes'] })
}
const print = () => window.print()
const trials = computed(() => found.data.value?.trials ?? [])
const besideOf = computed(() => (bake.value?.parts ?? []).map((part) => `${key.value}:${part}`).join(','))
const more = (outcome: Schemas['RecordOutcome']) =>
  Object.entries(outcome.more)
    .map(([name, value]) => `${name.replaceAll('_', ' ')}: ${String(value)}`)
    .join(', ')
</script>

<template>
  <div class="record">
    <p class="no-print">
      <RouterLink to="/log">{{ t.back }}</RouterLink>
    </p>
    <h1 v-if="!found.data.value" class="out-of-sight">{{ t.steps }}</h1>
    <ElSkeleton v-if="found.isPending.value" :rows="6" animated />
    <p v-else-if="found.isError.value" class="inverted notice" role="alert">
      {{ lost || words.failed }}
      <ElButton @click="found.refetch()">{{ words.again }}</ElButton>
    </p>
    <template v-else-if="bake">
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
      <p v-if="wrong" class="inverted notice" role="alert">{{ wrong }}</p>
      <p v-if="refused" class="inverted notice" role="alert">{{ refused }}</p>
      <UndoLine @back="client.invalidateQueries({ queryKey: ['bakes'] })" />

      <BakeWay v-if="bake.line.drawn" :drawn="bake.line.drawn" :loaf="bake.line.loaf" />
      <section v-if="bake.line.out && bake.line.state !== 'stopped'" class="loaves">
        <header>
          <h2>{{ words.loaf.sheets }}</h2>
          <ElButton class="no-print" @click="judging = true">{{ words.loaf.judge }}</ElButton>
        </header>
        <p v-if="bake.parts.length > 1" class="no-print">
          <RouterLink :to="{ path: '/log/compare', query: { of: besideOf } }">{{ log.beside }}</RouterLink>
        </p>
        <p v-if="!bake.loaves.length" class="quiet">{{ words.loaf.none }}</p>
        <LoafSaid v-for="loaf in bake.loaves" :key="loaf.id" :loaf="loaf" />
      </section>
      <LoafSheet
        v-if="judging && bake.line.out"
        :name="bake.line.name"
        :parts="bake.parts"
        :pieces="bake.line.pieces"
        :lengths="bake.lengths"
        :chips="found.data.value?.chips ?? []"
        :loaves="bake.loaves"
        :day="bake.days"
        :part="String(route.query.loaf ?? '')"
        @close="judging = false"
        @keep="keepLoaf"
      />

      <div class="columns">
        <section>
          <h2>{{ t.steps }}</h2>
          <p v-if="!bake.steps.length" class="quiet">{{ t.nothing }}</p>
          <template v-for="group in days" :key="group.day">
            <h3>{{ group.day }}</h3>
            <ol class="steps">
              <li v-for="step in group.steps" :key="step.key" :class="{ out: step.skipped }">
                <span class="clock">{{ clock(step.at) }}</span>
                <span>{{ step.title }}</span>
                <span class="small quiet beside">{{ step.guessed ? log.guess : besidePlan(step) }}</span>
              </li>
            </ol>
          </template>
        </section>

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
                {{ t.stageNames[verdict.stage] }}: {{ named(verdict.stage, verdict.verdict).toLowerCase() }}.
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

      <section v-if="bake.photos.length || bake.line.out">
        <header class="with">
          <h2>{{ t.pictures }}</h2>
          <PickField
            v-if="bake.parts.length > 1"
            v-model="ofPart"
            class="no-print"
            :label="log.photoOf"
            hide-label
            :options="partOptions"
          />
          <ElButton class="no-print" @click="file?.click()">{{ log.addPhoto }}</ElButton>
          <input
            ref="file"
            class="out-of-sight"
            type="file"
            accept="image/*,.heic,.heif"
            tabindex="-1"
            :aria-label="log.addPhoto"
            @change="addPhoto"
          />
        </header>
        <div class="photos">
          <figure v-for="photo in bake.photos" :key="photo.id">
            <img
              :src="`/api/photos/${photo.id}`"
              :alt="`${words.bench.photo} ${clock(photo.at)}`"
              :width="photo.width"
              :height="photo.height"
              loading="lazy"
            />
            <figcaption class="small quiet">
              <template v-if="photo.part">{{ photo.part }} · </template>{{ day(photo.at) }},
              {{ clock(photo.at) }}
            </figcaption>
          </figure>
        </div>
      </section>
    </template>
  </div>
</template>

<style scoped>
.record {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  gap: 14px;
  max-width: 1160px;
  padding: 18px 28px 48px;
}
h1 {
  font-size: 2.75rem;
}
.lead {
  font-size: 1.1875rem;
}
h2 {
  margin-bottom: 6px;
}
h3 {
  margin: 12px 0 2px;
  font: 650 1.0625rem/1.3 var(--show);
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
.with,
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
.steps li {
  display: grid;
  grid-template-columns: 60px minmax(0, 1fr) auto;
  gap: 0 12px;
  align-items: baseline;
  padding: 7px 0;
  border-bottom: 1px solid var(--hairline);
}
.steps .out > :nth-child(2) {
  color: var(--quiet);
  text-decoration: line-through;
}
.beside {
  text-align: right;
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
.photos {
  display: flex;
  flex-wrap: wrap;
  gap: 18px;
}
.photos img {
  display: block;
  width: auto;
  max-width: 100%;
  height: 220px;
  object-fit: cover;
  border: 1.5px solid var(--ink);
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 720px) {
  .record {
    padding: 12px 16px 32px;
  }
  h1 {
    font-size: 2.125rem;
  }
  .steps li {
    grid-template-columns: 56px minmax(0, 1fr);
  }
  .beside {
    grid-column: 2;
    text-align: left;
  }
}
</style>
