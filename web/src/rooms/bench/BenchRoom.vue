<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref, watch } from 'vue'
import LoafAsks from '../log/LoafAsks.vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { api, ask, type Schemas } from '../../api/client'
import BenchRibbons from '../../charts/BenchRibbons.vue'
import ClockField from '../../forms/ClockField.vue'
import { EXTRA_FOLD, useBench, type BenchDough, type LiveStep } from '../../shell/bench'
import { useNow } from '../../shell/kitchen'
import { newKey } from '../../shell/keys'
import { useSettled } from '../../shell/settled'
import { shortcuts } from '../../shell/shortcuts'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import { shrunk } from '../cultures/picture'
import BakeHistory from './BakeHistory.vue'
import BenchAside from './BenchAside.vue'
import ClashNote from './ClashNote.vue'
import ComingUp from './ComingUp.vue'
import EditSheet from './EditSheet.vue'
import JudgeSheet from './JudgeSheet.vue'
import NextThing from './NextThing.vue'
import ReadSheet from './ReadSheet.vue'
import SheetFrame from './SheetFrame.vue'
import StartPanel from './StartPanel.vue'
import StuckList from './StuckList.vue'
import UndoLine from './UndoLine.vue'
import { useAwake } from './useAwake'
import InTurn from '../../shell/InTurn.vue'

/** The bench: what is alive now, the next thing to do as large as can be, and one tap for it. */
const t = words.bench
const { bench, old, doughs, offline, waits, refused, stuck, press, takeBack, unstick, photograph } =
  useBench()
const now = useNow()
const route = useRoute()
const router = useRouter()
const { clock, say } = useUnits()
const awake = useAwake()
const settled = useSettled()

const nextOf = (dough: BenchDough) => dough.steps.find((step) => step.key === dough.next) ?? null
/** The dough that was chosen, else the one whose next step comes first. */
const picked = computed(() => (typeof route.params.id === 'string' ? route.params.id : null))
const dough = computed(() => {
  const own = doughs.value.find((one) => one.id === picked.value)
  if (own) return own
  const at = (one: BenchDough) => nextOf(one)?.at ?? '9'
  return [...doughs.value].sort((a, b) => at(a).localeCompare(at(b)))[0] ?? null
})
const step = computed(() => (dough.value ? nextOf(dough.value) : null))
const clashing = computed(() => {
  const own = dough.value?.clashes.length ? dough.value : null
  return own ?? doughs.value.find((one) => one.clashes.length) ?? null
})
const sheet = ref<'judge' | 'read' | 'note' | 'edit' | 'start' | 'away' | null>(null)
const noted = ref('')
const from = ref('')
const to = ref('')
const cultures = useQuery({ queryKey: ['cultures'], queryFn: () => ask(api.GET('/api/cultures')) })
const score = useQuery({ queryKey: ['score'], queryFn: () => ask(api.GET('/api/bench/score')) })

function choose(key: string) {
  void router.replace(`/bench/${key}`)
}
/** Once a step is done the bench looks at whatever comes next, whichever dough it is. */
function settle() {
  if (picked.value) void router.replace('/bench')
}
async function tap(kind: Parameters<typeof press>[1], body: Record<string, unknown>, says: string) {
  if (!dough.value) return
  const id = dough.value.id
  if (kind === 'bake_step') settle()
  await press(id, kind, body, says)
}
const done = (shown: LiveStep) => tap('bake_step', { key: shown.key }, t.says.done({ step: shown.title }))
const skip = (shown: LiveStep) =>
  tap('bake_step', { key: shown.key, skipped: true }, t.says.skipped({ step: shown.title }))
const thing = ref<InstanceType<typeof NextThing> | null>(null)
function notYet(minutes: number) {
  if (!step.value) return
  const at = clock(now.value + minutes * 60_000)
  void tap('bake_not_yet', { key: step.value.key, minutes }, t.says.notYet({ step: step.value.title, at }))
}
function snooze() {
  if (!step.value) return
  const at = clock(now.value + 5 * 60_000)
  void tap('bake_snoozed', { key: step.value.key, minutes: 5 }, t.says.snoozed({ at }))
}
const extraFold = () =>
  tap('bake_step', { key: `${EXTRA_FOLD}${newKey().slice(0, 8)}` }, t.says.done({ step: t.extraFold }))
/** Whether a verdict of not yet holds the next step back: what is judged must be what is about to be done. */
const holds = computed(
  () =>
    step.value !== null &&
    dough.value?.standing.stage !== 'gluten' &&
    ['divide', 'shape', 'load', 'mix', 'out'].includes(step.value.kind),
)
interface Found {
  cues: Record<string, string | number>
  wait: number | null
  note: string
  ends: boolean
}
async function judged(found: Found) {
  sheet.value = null
  if (!dough.value) return
  const { id } = dough.value
  const held = step.value
  if (Object.keys(found.cues).length) await press(id, 'bake_judged', { cues: found.cues }, t.says.judged)
  if (found.ends) {
    await press(id, 'bake_edited', { code: 'end', stage: '' }, words.byHand.codes.end!)
  } else if (found.wait && held && holds.value) {
    const at = clock(now.value + found.wait * 60_000)
    await press(
      id,
      'bake_not_yet',
      { key: held.key, minutes: Math.max(found.wait, 1), note: held.kind === 'out' ? found.note : '' },
      t.says.notYet({ step: held.title, at }),
    )
  }
}
function read(body: Record<string, unknown>) {
  sheet.value = null
  void tap('reading', body, t.says.read)
}
function water(more_g: number) {
  sheet.value = null
  void tap('bake_water', { more_g }, t.saysWater)
}
function note() {
  const text = noted.value.trim()
  sheet.value = null
  noted.value = ''
  if (text) void tap('bake_note', { text }, t.says.note)
}
async function photo(file: Blob) {
  if (dough.value) await photograph(dough.value.id, await shrunk(file, 1600))
}
function change(whose: BenchDough, way: Schemas['Remedy']) {
  sheet.value = null
  void press(whose.id, 'bake_changed', { change: way.change, sentence: way.sentence }, say(way.sentence))
}
function edit(body: Record<string, unknown>, says: string) {
  sheet.value = null
  void tap('bake_edited', body, says)
}
function correct({ event, at }: { event: string; at: string }) {
  if (dough.value) void press(dough.value.id, 'bake_corrected', { event, at }, t.says.corrected)
}
function probe(device: string, from?: string) {
  if (dough.value) void press(dough.value.id, 'bake_probe', { device }, t.says.probe, from)
}
const outcome = (how: string) => tap('bake_outcome', { how }, t.says.outcome)
const tasted = computed(() => dough.value?.history.find((event) => event.kind === 'bake_outcome') ?? null)
/** The score is told once the outcome has arrived, whatever was sent before it. */
watch([waits, () => tasted.value?.id], ([left, one]) => {
  if (!left && one) void score.refetch()
})
function finish() {
  settle()
  void tap('bake_finished', {}, t.says.finished)
}
function stop() {
  settle()
  void tap('bake_stopped', {}, t.says.stopped)
}

function openAway() {
  from.value = clock(now.value)
  to.value = clock(now.value + 2 * 3_600_000)
  sheet.value = 'away'
}
function beAway() {
  sheet.value = null
  void press('', 'absence', { from: from.value, to: to.value }, t.says.away)
}

function keys(event: KeyboardEvent) {
  const target = event.target as HTMLElement
  if (!shortcuts.value || event.repeat) return
  if (event.ctrlKey || event.metaKey || event.altKey || sheet.value) return
  if (target.closest('input, textarea, select, [contenteditable]')) return
  const act: Record<string, () => unknown> = {
    d: () => thing.value?.say('done'),
    s: () => thing.value?.say('skip'),
    n: () => thing.value?.settling || notYet(15),
    l: () => dough.value && (sheet.value = 'judge'),
    r: () => dough.value && (sheet.value = 'read'),
    c: () => dough.value && (sheet.value = 'edit'),
  }
  const nth = doughs.value[Number(event.key) - 1]
  if (nth) return choose(nth.id)
  const found = act[event.key.toLowerCase()]
  if (found) {
    event.preventDefault()
    found()
  }
}
document.addEventListener('keydown', keys)
onScopeDispose(() => document.removeEventListener('keydown', keys))
watch(
  () => dough.value?.id,
  () => (sheet.value = null),
)
</script>

<template>
  <div class="bench">
    <h1 class="out-of-sight">{{ t.title }}</h1>
    <p v-if="offline" class="inverted notice" role="status">
      {{ old && bench ? t.offlineOld({ when: clock(bench.now) }) : t.offline
      }}<template v-if="waits">: {{ t.offlineCount({ count: waits }) }}</template
      >.
    </p>
    <p v-else-if="waits > 1" class="quiet" role="status">{{ t.sending({ count: waits }) }}</p>
    <p v-if="bench?.clock_back" class="inverted notice" role="status">{{ t.clockBack }}</p>
    <p v-if="refused" class="inverted notice" role="alert">{{ refused }}</p>
    <p v-for="odd in bench?.aside ?? []" :key="odd.id" class="inverted notice" role="alert">
      {{ t.asideDough({ name: odd.name, why: say(odd.sentence) }) }}
      <RouterLink :to="`/log/${odd.id}`">{{ words.bakes.seeRecord }}</RouterLink>
      <ElButton class="link" @click="press(odd.id, 'bake_stopped', {}, t.says.stopped)">
        {{ t.asideOff }}
      </ElButton>
    </p>
    <StuckList
      v-if="stuck.length"
      :stuck="stuck"
      @again="(ids) => unstick(true, ids)"
      @drop="(ids) => unstick(false, ids)"
    />
    <p v-if="!bench" class="quiet">{{ words.loading }}</p>

    <div v-else-if="!doughs.length" class="idle" :class="{ unsettled: !settled }">
      <UndoLine />
      <h2 class="empty">{{ t.empty }}</h2>
      <InTurn>
        <ComingUp :now="now" :cultures="cultures.data.value?.cultures ?? []" />
      </InTurn>
      <LoafAsks />
      <p class="lead">{{ t.emptyMore }}</p>
      <InTurn>
        <StartPanel @begun="choose" />
      </InTurn>
      <p>
        <RouterLink to="/log">{{ words.bakes.earlier }}</RouterLink>
      </p>
    </div>

    <template v-else>
      <NextThing
        v-if="dough && step"
        ref="thing"
        :dough="dough"
        :step="step"
        :now="now"
        @done="done"
        @skip="skip"
        @not-yet="notYet"
        @snooze="snooze"
        @look="sheet = 'judge'"
        @read="sheet = 'read'"
        @note="sheet = 'note'"
        @photo="photo"
        @extra-fold="extraFold"
        @edit="sheet = 'edit'"
      />
      <section v-else-if="dough" class="over">
        <p class="whose">{{ dough.name }}</p>
        <h2>{{ t.ready }}</h2>
        <p v-if="!tasted">{{ t.outcomeTitle }}</p>
        <div class="row">
          <template v-if="!tasted">
            <ElButton
              v-for="(label, how) in t.outcomes"
              :key="how"
              class="plain big"
              @click="outcome(String(how))"
            >
              {{ label }}
            </ElButton>
          </template>
          <RouterLink :to="`/log/${dough.id}?loaf`" class="plain big as-button">{{
            words.loaf.judge
          }}</RouterLink>
          <ElButton class="action big" @click="finish">{{ t.finish }}</ElButton>
        </div>
        <p v-if="score.data.value?.score.judged" class="quiet">
          {{ t.score(score.data.value.score as never) }}
        </p>
      </section>

      <UndoLine />
      <ClashNote
        v-if="clashing"
        :key="clashing.id"
        :dough="clashing"
        :now="now"
        @change="(way) => change(clashing!, way)"
      />

      <InTurn>
        <BenchRibbons
          :doughs="doughs"
          :cultures="cultures.data.value?.cultures ?? []"
          :now="now"
          :chosen="dough?.id ?? null"
          @choose="choose"
        />
      </InTurn>
      <InTurn><LoafAsks /></InTurn>

      <InTurn v-if="dough">
        <div class="below">
          <section>
            <h2>{{ t.past }}</h2>
            <BakeHistory
              :key="dough.id"
              :dough="dough"
              @back="(event) => takeBack(dough!.id, event)"
              @correct="correct"
            />
            <p class="row">
              <ElButton class="link" @click="stop">{{ t.stop }}</ElButton>
              <RouterLink to="/log" class="link earlier">{{ words.bakes.earlier }}</RouterLink>
            </p>
          </section>
          <BenchAside
            :dough="dough"
            :now="now"
            :awake="awake"
            @probe="probe"
            @another="sheet = 'start'"
            @away="openAway"
          />
        </div>
      </InTurn>
    </template>

    <JudgeSheet
      v-if="sheet === 'judge' && dough"
      :dough="dough"
      :now="now"
      :holds="holds"
      @close="sheet = null"
      @judged="judged"
      @change="(way) => change(dough!, way)"
    />
    <EditSheet
      v-if="sheet === 'edit' && dough"
      :dough="dough"
      :now="now"
      @close="sheet = null"
      @change="edit"
    />
    <ReadSheet
      v-if="sheet === 'read' && dough"
      :dough="dough"
      @close="sheet = null"
      @read="read"
      @water="water"
    />
    <SheetFrame v-if="sheet === 'note' && dough" :title="t.note" :lead="dough.name" @close="sheet = null">
      <form class="form" @submit.prevent="note">
        <label class="quiet" for="note-text">{{ t.notes }}</label>
        <ElInput type="textarea" id="note-text" v-model="noted" rows="4" maxlength="2000" />
        <ElButton native-type="submit" class="action big">{{ t.keep }}</ElButton>
      </form>
    </SheetFrame>
    <SheetFrame v-if="sheet === 'start'" :title="t.another" @close="sheet = null">
      <StartPanel
        @begun="
          (key) => {
            sheet = null
            choose(key)
          }
        "
      />
    </SheetFrame>
    <SheetFrame v-if="sheet === 'away'" :title="t.away" @close="sheet = null">
      <form class="form" @submit.prevent="beAway">
        <ClockField v-model="from" :label="t.awayFrom" steps />
        <ClockField v-model="to" :label="t.awayTo" steps />
        <ElButton native-type="submit" class="action big">{{ t.awayGo }}</ElButton>
      </form>
    </SheetFrame>
  </div>
</template>

<style scoped>
.bench {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
  padding: 14px 28px 40px;
}
.idle {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
.unsettled {
  visibility: hidden;
}
.notice {
  padding: 12px 18px;
  border-radius: var(--corner);
  font-size: 1.25rem;
  font-weight: 600;
}
.empty {
  font-size: 2.75rem;
}
.lead,
.over {
  font-size: 1.375rem;
}
.over h2 {
  font-size: 2.75rem;
}
.over {
  display: grid;
  gap: 8px;
}
.whose {
  font-weight: 650;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.big {
  min-height: 60px;
  padding: 0 22px;
  font-size: 1.25rem;
}
.notice .link,
.notice a {
  color: inherit;
}
.earlier {
  display: grid;
  place-items: center;
}
.below {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 360px;
  gap: 48px;
}
.form {
  display: grid;
  gap: 14px;
  max-width: 560px;
}
textarea.field {
  padding: 10px 12px;
  font-size: 1.25rem;
}
@media (max-width: 1000px) {
  .below {
    grid-template-columns: 1fr;
    gap: 24px;
  }
}
@media (max-width: 720px) {
  .bench {
    padding: 12px 16px 24px;
  }
}
</style>
