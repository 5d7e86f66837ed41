<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, ask, type Asked, type Mend } from '../../api/client'
import DoughRibbon from '../../charts/DoughRibbon.vue'
import DoughRibbonDown from '../../charts/DoughRibbonDown.vue'
import { useMedia } from '../../charts/useSize'
import { useKitchen, useNow } from '../../shell/kitchen'
import { useUnits } from '../../shell/units'
import { fill, words } from '../../words'
import DecideColumn from './DecideColumn.vue'
import SavedPlans from './SavedPlans.vue'
import StepLadder from './StepLadder.vue'
import TroubleNote from './TroubleNote.vue'
import PlanWater from './PlanWater.vue'
import WeighList from './WeighList.vue'
import { usePlan } from './usePlan'

const now = useNow()
const narrow = useMedia('(max-width: 720px)')
const { settings } = useKitchen()
const { say } = useUnits()
const formulas = useQuery({ queryKey: ['formulas'], queryFn: () => ask(api.GET('/api/formulas')) })
const {
  asked,
  answer,
  refused,
  fieldErrors,
  id,
  dirty,
  saving,
  mends,
  change,
  takeFormula,
  save,
  another,
  reckon,
} = usePlan()
const t = words.plan

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
  const name = found.field === 'vessel' ? 'vessel_id' : found.field
  change({ [name]: found.field === 'dough_c' ? Number(found.value) : found.value } as Partial<Asked>)
}
</script>

<template>
  <div class="room">
    <h1 class="out-of-sight">{{ t.title }}</h1>
    <div class="left">
      <DecideColumn
        v-if="asked && settings"
        :asked="asked"
        :answer="answer"
        :formulas="formulas.data.value?.formulas ?? []"
        :settings="settings"
        :now="now"
        :errors="fieldErrors"
        @change="change"
        @formula="takeFormula"
      />
      <div v-if="asked" class="actions no-print">
        <button
          type="button"
          class="action"
          :disabled="saving || refused !== null || (!dirty && id !== null)"
          @click="save"
        >
          {{ saveWord }}
        </button>
        <button v-if="id" type="button" class="link" @click="another">{{ t.fresh }}</button>
      </div>
      <SavedPlans :current="id" class="wide-only" @gone="(key) => key === id && another()" />
    </div>

    <div class="see" :class="{ stale: refused !== null && answer }">
      <div v-if="lost" class="lost inverted" role="alert">
        <p>{{ refused!.message }}</p>
        <button v-if="asked" type="button" @click="reckon">{{ words.again }}</button>
        <button v-else type="button" @click="another">{{ t.fresh }}</button>
      </div>
      <p v-if="!answer && !refused" class="quiet" role="status">{{ words.loading }}</p>
      <template v-if="answer">
        <TroubleNote v-if="answer.plan.problems.length" :plan="answer.plan" :mends="mends" @mend="mend" />
        <p v-if="answer.formula_put_away" class="small remark">{{ t.formulaGone }}</p>
        <p v-if="answer.asked.version && answer.asked.version < answer.newest_version" class="small remark">
          {{ t.version }} {{ answer.asked.version }}.
          <button type="button" class="link" @click="change({ version: answer.newest_version })">
            {{ t.newest }} {{ answer.newest_version }}
          </button>
        </p>
        <DoughRibbonDown v-if="narrow" :plan="answer.plan" />
        <DoughRibbon v-else :plan="answer.plan" />
        <p v-for="note in answer.plan.notes" :key="note" class="small remark">{{ say(note) }}</p>
        <div class="below">
          <StepLadder :plan="answer.plan" />
          <div class="follow">
            <WeighList :plan="answer.plan" />
            <PlanWater
              :plan="answer.plan"
              :formula="answer.asked.formula_id"
              :pieces="answer.asked.pieces ?? 1"
            />
            <p class="small quiet at-oven">
              {{ t.proofAt }}
              {{
                fill(t.says.atOven, {
                  low: share(answer.plan.proof.share_low),
                  high: share(answer.plan.proof.share_high),
                  likely: share(answer.plan.proof.share),
                  from: share(answer.plan.proof.target_low),
                  to: share(answer.plan.proof.target_high),
                })
              }}
            </p>
          </div>
        </div>
      </template>
    </div>
    <SavedPlans :current="id" class="narrow-only" @gone="(key) => key === id && another()" />
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
.actions {
  display: grid;
  gap: 4px;
  margin: 20px 0 24px;
}
.see {
  display: grid;
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
    display: block;
  }
  .left {
    padding: 4px 16px 8px;
    border: 0;
  }
  .see {
    padding: 8px 16px 24px;
  }
  .wide-only {
    display: none;
  }
  .narrow-only {
    display: block;
    padding: 0 16px 24px;
  }
  .follow {
    grid-row: 1;
  }
}
@media print {
  .room {
    display: block;
  }
  .left {
    border: 0;
  }
}
</style>
