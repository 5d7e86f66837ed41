<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, ref } from 'vue'
import { api, ask, type Asked, type Mend, type Schemas } from '../../api/client'
import DoughRibbon from '../../charts/DoughRibbon.vue'
import DoughRibbonDown from '../../charts/DoughRibbonDown.vue'
import { useMedia } from '../../charts/useSize'
import { useRouter } from 'vue-router'
import { useBench } from '../../shell/bench'
import { newKey } from '../../shell/keys'
import { useKitchen, useNow } from '../../shell/kitchen'
import { useAbout } from '../../shell/title'
import { useUnits } from '../../shell/units'
import { told, words } from '../../words'
import BakeCard from './BakeCard.vue'
import DecideColumn from './DecideColumn.vue'
import SavedPlans from './SavedPlans.vue'
import StepLadder from './StepLadder.vue'
import TroubleNote from './TroubleNote.vue'
import PlanWater from './PlanWater.vue'
import WaysStrip from './WaysStrip.vue'
import WeighedFirst from './WeighedFirst.vue'
import WeighList from './WeighList.vue'
import WhatIfRow from './WhatIfRow.vue'
import { useAside } from './useAside'
import { usePlan } from './usePlan'
import InTurn from '../../shell/InTurn.vue'

const PlanTrial = defineAsyncComponent(() => import('./PlanTrial.vue'))
const PlanMethod = defineAsyncComponent(() => import('./PlanMethod.vue'))
const WhyPanel = defineAsyncComponent(() => import('./WhyPanel.vue'))
const ReadDough = defineAsyncComponent(() => import('./ReadDough.vue'))
const PartsClock = defineAsyncComponent(() => import('../../charts/PartsClock.vue'))
const SharedNote = defineAsyncComponent(() => import('./SharedNote.vue'))
const LaterNote = defineAsyncComponent(() => import('./LaterNote.vue'))
const ConflictDialog = defineAsyncComponent(() => import('../../forms/ConflictDialog.vue'))

const now = useNow()
const making = ref(false)
const trying = ref(false)
const narrow = useMedia('(max-width: 720px)')
const { settings } = useKitchen()
const { say, localTime, dayClock } = useUnits()
const {
  asked,
  answer,
  kept,
  shown,
  refused,
  fieldErrors,
  id,
  dirty,
  pending,
  saving,
  clash,
  mends,
  change,
  takeFormula,
  save,
  settle,
  undo,
  another,
  reckon,
  reopen,
  take,
} = usePlan()
const t = words.plan
useAbout(() => answer.value?.formula.name)
const { ways, shades, why, shading, shade, explaining } = useAside(asked, id)
const bulkHours = computed(() => {
  const times = shown.value?.times
  return times ? (Date.parse(times.bulk_end) - Date.parse(times.mix)) / 3_600_000 : 6
})
const chosenWay = computed(() => {
  const at = asked.value
  return at && !at.method ? (at.style ?? null) : null
})
/** A way is taken as it is for what is asked now, not for what was asked when it was drawn. */
async function takeWay(shown: Schemas['WayAnswer']) {
  const newest = await ways.current()
  const way = newest?.ways.find((each) => each.style === shown.style)
  if (!way) return
  const ready = way.ready ? localTime(way.ready) : asked.value?.ready
  change({ style: way.style, method: undefined, fridge_days: 0, ready })
}
/** There is a dough to read once it is mixed. */
const mixed = computed(() => {
  const times = kept.value?.plan.times
  return times && (now.value >= Date.parse(times.mix) || kept.value?.readings.length)
})
/** The card is made only when paper asks for it. */
const paper = useMedia('print')
const called = ref(false)
const printing = computed(() => paper.value || called.value)
async function print() {
  called.value = true
  await nextTick()
  window.print()
  called.value = false
}

const router = useRouter()
const { press } = useBench()
async function startBake() {
  const key = id.value
  if (!key) return
  await press(key, 'bake_started', {}, told(words.bench.kinds.bake_started))
  await router.push(`/bench/${key}`)
}
/** The dough in two parts is saved as a plan, and the trial with it. */
async function keepTrial(offer: Schemas['TrialOfferLine'], question: string, blind: boolean) {
  change({ method: offer.method as Asked['method'], style: undefined, later_pieces: 0, fridge_days: 0, folds: undefined, vessel_id: undefined }) // prettier-ignore
  await save()
  if (!id.value || refused.value) throw refused.value ?? new Error('not saved')
  const sides = offer.parts.map((part, place) => ({ bake: id.value!, part, says: offer.says[place]! }))
  const body = { formula_id: asked.value!.formula_id, question, blind, sides }
  await ask(api.PUT('/api/trials/{key}', { params: { path: { key: newKey() } }, body }))
  await reopen()
}
const trials = computed(() => kept.value?.trials ?? [])
const saveWord = computed(() => {
  if (saving.value) return t.saving
  if (!dirty.value && id.value) return t.saved
  return id.value ? t.saveAgain : t.save
})
const lost = computed(
  () => refused.value !== null && !refused.value.errors.some((error) => error.field !== 'id'),
)
const share = (part: number) => `${Math.round(100 * part)} %`

function mend(found: Mend) {
  change(found.change as Partial<Asked>)
}
</script>

<template>
  <div class="room">
    <h1 class="out-of-sight">{{ t.title }}</h1>
    <div class="left">
      <InTurn v-if="asked && settings">
        <DecideColumn
          :asked="asked"
          :answer="answer"
          :settings="settings"
          :now="now"
          :errors="fieldErrors"
          @change="change"
          @formula="takeFormula"
        />
      </InTurn>
      <InTurn v-if="asked">
        <div class="actions no-print">
          <RouterLink v-if="kept?.baked && id" :to="`/log/${id}`" class="action as-link">{{
            words.bakes.seeRecord
          }}</RouterLink>
          <RouterLink v-else-if="kept?.started && id" :to="`/bench/${id}`" class="action as-link">{{
            words.bench.toBench
          }}</RouterLink>
          <ElButton v-else-if="kept && id" class="action" @click="startBake">
            {{ words.bench.startPlan }}
          </ElButton>
          <ElButton
            v-else
            class="action"
            :disabled="saving || refused !== null || (!dirty && id !== null)"
            @click="save()"
          >
            {{ saveWord }}
          </ElButton>
          <p v-if="kept && id" class="small quiet is-saved" role="status">{{ t.saved }}</p>
          <ElButton v-if="id" class="link" @click="another">{{ t.fresh }}</ElButton>
          <ElButton v-if="kept?.can_undo" @click="undo">{{ t.undo }}</ElButton>
        </div>
      </InTurn>
      <SavedPlans v-if="!narrow" :current="id" @gone="(key) => key === id && another()" />
    </div>

    <ConflictDialog v-if="clash" :changed="clash" :what="t.thePlan" @settle="settle" @close="clash = null" />
    <div class="see" :class="{ stale: refused !== null && answer, awaited: pending && answer }">
      <div v-if="lost" class="lost inverted" role="alert">
        <p>{{ refused!.message }}</p>
        <button v-if="asked" type="button" @click="reckon">{{ words.again }}</button>
        <button v-else type="button" @click="another">{{ t.fresh }}</button>
      </div>
      <p v-if="!answer && !refused" class="quiet wait" role="status">{{ words.loading }}</p>
      <template v-if="answer && shown">
        <TroubleNote
          v-if="shown.problems.length"
          class="sooner"
          :plan="shown"
          :mends="kept?.followed ? [] : mends"
          :under-way="Boolean(kept?.followed)"
          @mend="mend"
        />
        <p v-if="asked?.mind" class="sooner mind">
          <span class="small quiet">{{ t.toMind }}</span>
          {{ asked.mind }}
          <ElButton v-if="!kept?.started" class="link no-print" @click="change({ mind: undefined })">{{
            t.mindOff
          }}</ElButton>
        </p>
        <p v-if="answer.formula_put_away" class="small remark">{{ t.formulaGone }}</p>
        <p v-if="answer.asked.version && answer.asked.version < answer.newest_version" class="small remark">
          {{ t.version }} {{ answer.asked.version }}.
          <ElButton class="link" @click="change({ version: answer.newest_version })">
            {{ t.newest }} {{ answer.newest_version }}
          </ElButton>
        </p>
        <p v-if="narrow" class="sooner of">
          <strong>{{ answer.formula.name }}</strong>
          {{ t.says.out({ when: dayClock(shown.out) }) }}
        </p>
        <DoughRibbonDown v-if="narrow" class="sooner" :plan="shown" :shade="shade" :others="answer?.others" />
        <DoughRibbon v-else :plan="shown" :shade="shade" :others="answer?.others" />
        <p v-for="one in trials" :key="one.id" class="sooner remark">
          <RouterLink :to="`/log/trials/${one.id}`">{{
            words.card.trial({ question: one.trial.question })
          }}</RouterLink>
          <template v-for="side in one.trial.sides.filter((each) => each.says)" :key="side.part">
            · {{ words.card.side({ part: side.part, says: side.says }) }}</template
          >
        </p>
        <InTurn>
          <WeighedFirst :plan="shown" class="sooner no-print" />
        </InTurn>
        <InTurn v-if="!mixed">
          <div class="no-print">
            <ElButton class="link" :aria-expanded="making" @click="making = !making">
              {{ making ? t.closeStages : t.openStages }}
            </ElButton>
            <PlanMethod v-if="making" :answer="answer" :asked="asked!" :plan="id" @change="change" />
          </div>
        </InTurn>
        <PartsClock v-if="shown.outs.length" class="sooner" :plan="shown" />
        <InTurn v-if="!mixed">
          <WhatIfRow v-model="shading" :shades="shades.answer.value?.shades ?? []" />
        </InTurn>
        <InTurn v-if="!mixed">
          <WaysStrip
            class="no-print"
            :class="{ awaited: ways.pending.value }"
            :ways="ways.answer.value?.ways ?? []"
            :chosen="chosenWay"
            @take="takeWay"
          />
        </InTurn>
        <InTurn v-if="kept && mixed">
          <ReadDough :key="kept.id" :saved="kept" :now="now" @read="take" />
        </InTurn>
        <p v-for="note in shown.notes" :key="note" class="small remark">{{ say(note) }}</p>
        <div class="asks no-print">
          <ElButton class="link" :aria-expanded="explaining" @click="explaining = !explaining">
            {{ explaining ? words.why.close : words.why.open }}
          </ElButton>
          <ElButton class="link" @click="print">{{ words.card.print }}</ElButton>
          <ElButton v-if="!mixed && !kept?.started" class="link" @click="trying = true">{{
            words.plan.tryBoth
          }}</ElButton>
          <a v-if="kept && id" class="link" :href="`/api/plans/${id}/calendar.ics`" download>{{
            t.calendar
          }}</a>
        </div>
        <WhyPanel
          v-if="explaining"
          class="no-print"
          :why="why.answer.value?.why ?? null"
          :asked="asked!"
          :bulk-rise="shown.proof.bulk_rise"
          :bulk-hours="bulkHours"
          :levain="answer.formula.preferments.some((one) => one.kind === 'levain')"
        />
        <div class="below">
          <div>
            <InTurn>
              <StepLadder :plan="shown" />
            </InTurn>
            <LaterNote v-if="shown.later" :later="shown.later" />
          </div>
          <div class="follow">
            <SharedNote v-if="kept?.shared && id" :shared="kept.shared" :plan="id" />
            <InTurn>
              <WeighList :plan="shown" />
              <PlanWater
                :plan="answer.plan"
                :formula="answer.asked.formula_id"
                :pieces="answer.asked.pieces ?? 1"
              />
              <section v-if="answer.marks.length || shown.fold_plan" class="marks">
                <h3>{{ words.marks.title }}</h3>
                <p v-for="mark in answer.marks" :key="mark.vessel" class="small">{{ say(mark.sentence) }}</p>
                <p v-if="shown.fold_plan" class="small">{{ shown.fold_plan.sentence }}</p>
              </section>
            </InTurn>
            <p class="small quiet at-oven">
              {{ t.proofAt }}
              {{
                t.says.atOven({
                  low: share(shown.proof.share_low),
                  high: share(shown.proof.share_high),
                  likely: share(shown.proof.share),
                  from: share(shown.proof.target_low),
                  to: share(shown.proof.target_high),
                })
              }}
            </p>
          </div>
        </div>
      </template>
    </div>
    <BakeCard
      v-if="printing && answer && shown"
      class="only-print"
      :plan="shown"
      :formula="answer.formula"
      :pieces="answer.asked.pieces ?? 1"
      :each="answer.asked.scaling_weight_g ?? 0"
      :marks="answer.marks"
      :trials="trials"
      :letters="kept?.letters ?? []"
      :mind="asked?.mind ?? ''"
    />
    <PlanTrial v-if="trying && asked" :asked="asked" :plan="id" :keep="keepTrial" @close="trying = false" />
    <SavedPlans
      v-if="narrow && (answer || refused)"
      :current="id"
      class="narrow-only"
      @gone="(key) => key === id && another()"
    />
  </div>
</template>

<style scoped>
.room {
  display: grid;
  grid-template-columns: 288px minmax(0, 1fr);
  min-height: calc(100vh - 56px);
}
.left {
  padding: 12px 24px 32px 28px;
  border-right: 1px solid var(--hairline);
}
.is-saved {
  text-align: center;
}
a.action.as-link {
  display: grid;
  place-items: center;
  text-decoration: none;
}
.actions {
  display: grid;
  gap: 4px;
  margin: 20px 0 24px;
}
.see {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  gap: 20px;
  padding: 20px 28px 40px 24px;
  min-width: 0;
}
.stale > :not(.lost) {
  opacity: 0.45;
}
.below {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 264px;
  gap: 36px;
}
.follow {
  display: grid;
  gap: 20px;
  align-content: start;
}
.remark,
.at-oven {
  padding-left: 10px;
  border-left: 3px solid var(--hairline);
}
.mind {
  padding-left: 14px;
  border-left: 4px solid var(--ink);
  font-weight: 600;
}
.mind .quiet {
  display: block;
  font-weight: 400;
}
.lost {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  align-items: center;
  padding: 14px 18px;
  border-radius: var(--corner);
}
.lost button {
  min-height: 44px;
  padding: 0 14px;
  border: 1.5px solid var(--flour);
  border-radius: var(--corner);
  background: none;
  font-weight: 600;
  cursor: pointer;
}
.narrow-only {
  display: none;
}
@media (max-width: 1000px) {
  .below {
    grid-template-columns: 1fr;
  }
}
@media (max-width: 720px) {
  .room {
    display: flex;
    flex-direction: column;
    gap: 16px;
    padding: 12px 0 24px;
  }
  .see {
    display: contents;
  }
  .see > * {
    order: 3;
    margin-inline: 16px;
  }
  .see > .sooner,
  .see > .lost,
  .see > [role='status'] {
    order: 1;
  }
  .see > .wait {
    min-height: 90vh;
  }
  .left {
    order: 2;
    padding: 4px 16px 8px;
    border: 0;
  }
  .narrow-only {
    order: 4;
  }
  .of strong {
    display: block;
    font: 700 1.375rem/1.2 var(--show);
  }
  .narrow-only {
    display: block;
    padding: 0 16px 24px;
  }
  .follow {
    grid-row: 1;
  }
}
.asks {
  display: flex;
  flex-wrap: wrap;
  gap: 0 24px;
}
.asks a {
  display: inline-flex;
  align-items: center;
}
.marks {
  display: grid;
  gap: 4px;
}
.marks h3 {
  font-size: 1.0625rem;
  font-weight: 650;
}
.only-print {
  display: none;
}
@media print {
  .room {
    display: block;
    min-height: 0;
  }
  .left,
  .see,
  .narrow-only {
    display: none !important;
  }
  .only-print {
    display: block;
  }
}
</style>
