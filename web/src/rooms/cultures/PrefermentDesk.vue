<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import PrefermentRibbon from '../../charts/PrefermentRibbon.vue'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import ClockField from '../../forms/ClockField.vue'
import MassField from '../../forms/MassField.vue'
import MaybeField from '../../forms/MaybeField.vue'
import PickField from '../../forms/PickField.vue'
import TickField from '../../forms/TickField.vue'
import { useNow } from '../../shell/kitchen'
import { useFlours } from '../../shell/flours'
import { dayAfter } from '../../shell/days'
import { useNewest } from '../../shell/newest'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import CueRow from './CueRow.vue'
import { dayChoices } from './dayChoices'

/** Poolish, biga, sponge or old dough: yeast for the hours that it really has, and whether it is ripe. */
const t = words.cultures
const now = useNow()
const { clock, dayKey, dayClock, mass, massNumber, massUnit, say } = useUnits()
const { options: flours } = useFlours()
const usuals = useQuery({ queryKey: ['usual preferments'], queryFn: () => ask(api.GET('/api/preferments')) })
type Kind = Schemas['DoseBody']['kind']
const wish = reactive({
  kind: 'poolish' as Kind,
  needed_g: 400,
  hydration: null as number | null,
  flour_kind: 'strong_white',
  yeast_kind: 'instant' as 'instant' | 'active_dry' | 'fresh' | 'osmotolerant',
  startDay: dayKey(now.value),
  start: '20:00',
  ripeDay: dayAfter(dayKey(now.value), 1),
  ripe: '08:00',
  cold: false,
  coldFrom: '21:00',
  coldTo: '06:00',
})
const kinds = (Object.keys(words.formulas.preferments) as (Kind | 'levain')[])
  .filter((kind): kind is Kind => kind !== 'levain')
  .map((value) => ({ value, label: words.formulas.preferments[value]! }))
const usual = computed(() => usuals.data.value?.kinds.find((each) => each.kind === wish.kind))
const days = computed(() => dayChoices(dayKey(now.value), wish.startDay))
const ripeDays = computed(() => dayChoices(dayKey(now.value), wish.ripeDay))
/** The night in the fridge begins on the day of mixing, unless its hour lies before that of mixing. */
const body = (): Schemas['DoseBody'] => ({
  kind: wish.kind,
  needed_g: wish.needed_g,
  start: `${wish.startDay}T${wish.start}`,
  ripe: `${wish.ripeDay}T${wish.ripe}`,
  hydration_percent: wish.hydration,
  flour_kind: wish.flour_kind,
  yeast_kind: wish.yeast_kind,
  mix_c: 22,
  cold_from: wish.cold
    ? `${dayAfter(wish.startDay, wish.coldFrom < wish.start ? 1 : 0)}T${wish.coldFrom}`
    : null,
  cold_to: wish.cold ? `${wish.ripeDay}T${wish.coldTo}` : null,
})
const cues = reactive<Pick<Schemas['LookBody'], 'surface' | 'bubbles' | 'smell'>>({
  surface: null,
  bubbles: null,
  smell: null,
})
const dosing = useNewest(body, (asked) => ask(api.POST('/api/preferments', { body: asked })))
const found = dosing.answer
const ripeness = useNewest(
  () => (Object.values(cues).some((each) => each !== null) ? { ...body(), ...cues } : null),
  (asked) => ask(api.POST('/api/preferments/ripeness', { body: asked })),
)
const verdict = computed(() => (ripeness.pending.value ? null : (ripeness.answer.value?.ripeness ?? null)))
const problem = computed(() => (dosing.refused.value ?? ripeness.refused.value)?.message ?? '')
function setKind(kind: Kind) {
  wish.kind = kind
  wish.hydration = null
}
function judge(cue: keyof typeof cues, value: string | null) {
  Object.assign(cues, { [cue]: value })
}
const dose = computed(() => found.value?.dose ?? null)
const instant = (hours: number | null | undefined) =>
  hours == null || !found.value ? '' : dayClock(Date.parse(found.value.origin) + hours * 3_600_000)
const span = computed(() => {
  const ripe = dose.value?.ripe
  if (!ripe) return ''
  return t.doseSpan({ low: instant(ripe.low), likely: instant(ripe.likely), high: instant(ripe.high) })
})
const rows: { cue: 'surface' | 'bubbles' | 'smell'; values: Record<string, string>; drawn: boolean }[] = [
  { cue: 'surface', values: t.preferment.surface, drawn: true },
  { cue: 'bubbles', values: t.preferment.bubbles, drawn: false },
  { cue: 'smell', values: t.preferment.smell, drawn: false },
]
const options = <T extends string>(texts: Record<T, string>) =>
  (Object.entries(texts) as [T, string][]).map(([value, label]) => ({ value, label }))
const places = (g: number) => (g < 10 ? g.toFixed(2) : massNumber(g))
</script>

<template>
  <div class="desk">
    <h2>{{ t.prefermentTitle }}</h2>
    <ChoiceRow :model-value="wish.kind" :legend="t.kind" :options="kinds" @update:model-value="setKind" />
    <div class="row">
      <MassField v-model="wish.needed_g" :label="t.needed" />
      <MaybeField v-model="wish.hydration" :label="t.itsWater" unit="%" :usual="usual?.hydration_percent" />
      <PickField v-model="wish.flour_kind" :label="t.labels.flour" :options="flours" />
      <PickField
        v-model="wish.yeast_kind"
        :label="words.formulas.yeastKind"
        :options="options(words.formulas.yeasts)"
      />
    </div>
    <div class="row">
      <PickField v-model="wish.startDay" :label="t.mixedOn" :options="days" />
      <ClockField v-model="wish.start" class="at" :label="t.at" />
      <PickField v-model="wish.ripeDay" :label="t.ripeOn" :options="ripeDays" />
      <ClockField v-model="wish.ripe" class="at" :label="t.ripeAt" />
      <TickField v-model="wish.cold" :label="t.coldPart" />
      <template v-if="wish.cold">
        <ClockField v-model="wish.coldFrom" class="at" :label="t.coldFrom" />
        <ClockField v-model="wish.coldTo" class="at" :label="t.coldTo" />
      </template>
    </div>
    <p v-if="problem" class="inverted error" role="alert">{{ problem }}</p>
    <template v-if="dose && found">
      <div class="answer" :class="{ stale: problem, awaited: dosing.pending.value }">
        <p class="headline">
          <span class="clock huge">{{ places(dose.yeast_g) }}</span>
          <span>
            {{ massUnit }} {{ dose.yeast_name.toLowerCase() }}<br />
            <span class="quiet">{{ dose.yeast_percent.toFixed(3) }} % {{ t.ofItsFlour }}</span>
          </span>
          <span class="with">
            {{ mass(dose.flour_g) }} {{ t.flour }}<br />
            {{ mass(dose.water_g) }} {{ t.water }}
            <template v-if="dose.salt_g"><br />{{ mass(dose.salt_g) }} {{ t.salt }}</template>
          </span>
        </p>
        <p v-if="dose.weighing" class="mind">{{ say(dose.weighing) }}</p>
        <PrefermentRibbon :found="found" :now="now" />
        <p>{{ span }} {{ dose.cues }}</p>
        <p v-for="caution in dose.cautions" :key="caution.code" class="small quiet">
          {{ say(caution.text) }}
        </p>
      </div>
      <section class="judge">
        <h3>{{ t.isItRipe }}</h3>
        <div class="cues">
          <CueRow
            v-for="row in rows"
            :key="row.cue"
            :model-value="cues[row.cue] ?? null"
            :legend="t.cueNames[row.cue]"
            :values="row.values"
            :drawn="row.drawn"
            @update:model-value="(value) => judge(row.cue, value)"
          />
        </div>
        <p v-if="verdict" role="status">
          <strong>{{ t.preferment.verdicts[verdict.verdict] }}</strong> {{ verdict.do }}
          <span class="quiet">{{ t.because }} {{ verdict.why.join('; ') }} ({{ clock(now) }}).</span>
        </p>
      </section>
    </template>
  </div>
</template>

<style scoped>
.desk {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 16px;
  max-width: 900px;
  padding: 20px 28px 40px 24px;
}
h2 {
  font-size: 1.875rem;
}
h3 {
  font-size: 1.0625rem;
  font-weight: 650;
  margin-bottom: 6px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 18px;
  align-items: end;
}
.at {
  width: 92px;
}
.answer {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
}
.stale {
  opacity: 0.45;
}
.headline {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: center;
  font-size: 1.375rem;
  line-height: 1.3;
}
.huge {
  font-size: 4rem;
  line-height: 1;
}
.with {
  margin-left: 24px;
}
.mind {
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
.error {
  padding: 10px 14px;
  border-radius: var(--corner);
}
.cues {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 28px;
  margin-bottom: 10px;
}
@media (max-width: 720px) {
  .desk {
    padding: 14px 16px;
  }
}
</style>
