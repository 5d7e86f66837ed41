<script setup lang="ts">
import FormulaPicker from '../../forms/FormulaPicker.vue'
import { useQuery } from '@tanstack/vue-query'
import { limits } from '../../api/limits'
import { computed, ref } from 'vue'
import { api, ask, type Asked, type PlanAnswer, type Settings } from '../../api/client'
import AmountField from '../../forms/AmountField.vue'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import ClockField from '../../forms/ClockField.vue'
import ShareSlider from '../../forms/ShareSlider.vue'
import WarmthSlider from '../../forms/WarmthSlider.vue'
import { dayAfter, nameOfDay } from '../../shell/days'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import PartTimes from './PartTimes.vue'
import SentenceLine from './SentenceLine.vue'

const props = defineProps<{
  asked: Asked
  answer: PlanAnswer | null
  settings: Settings
  now: number
  errors: Record<string, string>
}>()
const emit = defineEmits<{ change: [Partial<Asked>]; formula: [string] }>()

const { degree, mass, ounces, dayKey } = useUnits()
const open = ref<string | null>(null)
const toggle = (line: string) => (open.value = open.value === line ? null : line)
const t = words.plan

function field<K extends keyof Asked>(name: K) {
  return computed({
    get: () => props.asked[name] as NonNullable<Asked[K]>,
    set: (value) => emit('change', { [name]: value } as Partial<Asked>),
  })
}
const pieces = field('pieces')
const dough = field('dough_c')
const roomDay = field('room_day_c')
const roomNight = field('room_night_c')
const fridge = field('fridge_c')
const tap = field('tap_c')
const kept = useQuery({
  queryKey: ['cultures', 'usable'],
  queryFn: () => ask(api.GET('/api/usable-cultures')),
})
const starter = computed(() => (props.asked.culture_id ? (props.answer?.plan.starter ?? null) : null))
/** One of the baker's own cultures by its key, or one that nothing is known of: lively or hungry. */
const culture = computed({
  get: () => (props.asked.culture_id ? `own ${props.asked.culture_id}` : (props.asked.culture ?? 'lively')),
  set: (value) =>
    emit(
      'change',
      value.startsWith('own ')
        ? { culture_id: value.slice(4) }
        : { culture_id: '', culture: value as 'lively' | 'hungry' },
    ),
})
const cultures = computed(() => [
  ...(kept.data.value?.cultures ?? []).map((line) => ({ value: `own ${line.id}`, label: line.name })),
  { value: 'lively', label: t.cultureLong.lively },
  { value: 'hungry', label: t.cultureLong.hungry },
])
/** One of the styles that suit, or the baker's own method. */
const style = computed({
  get: () => (props.asked.method ? 'own' : (props.asked.style ?? '')),
  set: (value) => value !== 'own' && emit('change', { style: value, method: undefined, fridge_days: 0 }),
})
const styles = computed(() => [
  ...(props.asked.method ? [{ value: 'own', label: t.ownWay }] : []),
  ...(props.answer?.styles ?? []).map((each) => ({ value: each.id, label: each.name })),
])
const cold = computed(() => props.answer?.styles.find((each) => each.id === props.asked.style)?.cold ?? false)
const styleName = computed(() => {
  if (props.asked.method) return t.ownWay
  const name = props.answer?.styles.find((each) => each.id === props.asked.style)?.name ?? t.otherWay
  return cold.value ? t.inFridge({ style: name, warm: degree(props.asked.fridge_c ?? 0) }) : name
})
const vessel = field('vessel_id')
const means = field('ready_means')
const later = field('later_pieces')
const laterDays = computed({
  get: () => String(props.asked.later_days ?? 1),
  set: (value) => emit('change', { later_days: Number(value) }),
})
const school = field('school')
const fridgeDays = computed({
  get: () => String(props.asked.fridge_days ?? 0),
  set: (value) => emit('change', { fridge_days: Number(value) }),
})
const levainShare = computed(
  () => props.answer?.formula.preferments.find((one) => one.kind === 'levain')?.flour_percent ?? 10,
)
const levain = computed({
  get: () => props.asked.levain_percent ?? levainShare.value,
  set: (value) => emit('change', { levain_percent: value }),
})
const folds = computed({
  get: () => props.asked.folds ?? props.answer?.plan.fold_plan?.count ?? 0,
  set: (value) => emit('change', { folds: value }),
})
const bed = field('sleep_from')
const up = field('sleep_to')

const OUNCE = 28.349523125
const weight = computed({
  get: () =>
    ounces.value
      ? Math.round(((props.asked.scaling_weight_g ?? 0) / OUNCE) * 4) / 4
      : (props.asked.scaling_weight_g ?? 0),
  set: (value) => emit('change', { scaling_weight_g: ounces.value ? value * OUNCE : value }),
})

const readyDay = computed({
  get: () => props.asked.ready?.slice(0, 10) ?? '',
  set: (value) => emit('change', { ready: `${value}T${readyTime.value}` }),
})
const readyTime = computed({
  get: () => props.asked.ready?.slice(11) ?? '',
  set: (value) => emit('change', { ready: `${readyDay.value}T${value}` }),
})
const partError = computed(
  () => Object.entries(props.errors).find(([field]) => field.startsWith('ready_parts'))?.[1],
)
const days = computed(() => {
  const found = Array.from({ length: 6 }, (_, index) => {
    const value = dayAfter(dayKey(props.now), index)
    const label = index === 0 ? t.today : index === 1 ? t.tomorrow : nameOfDay(value).slice(0, 3)
    return { value, label }
  })
  if (readyDay.value && !found.some((each) => each.value === readyDay.value)) {
    found.push({ value: readyDay.value, label: nameOfDay(readyDay.value, true) })
  }
  return found
})
const dayWord = computed(() => {
  const found = days.value.find((each) => each.value === readyDay.value)
  if (!found || !readyDay.value) return ''
  const name = nameOfDay(readyDay.value)
  return found.label === t.today || found.label === t.tomorrow
    ? `${found.label.toLowerCase()}, ${name}`
    : name
})

const isLevain = computed(
  () => props.answer?.formula.preferments.some((one) => one.kind === 'levain') ?? false,
)
const schools = Object.entries(t.schools).map(([value, label]) => ({
  value: value as NonNullable<Asked['school']>,
  label,
}))
const AS_METHOD = 'as_method'
/** The kitchen's vessels; and where the baker's own method says what it is baked in, that. */
const vessels = computed(() => {
  const own = (props.settings.vessels ?? []).map((each) => ({
    value: each.id,
    label: `${each.name}${each.count && each.count > 1 ? ` × ${each.count}` : ''}`,
  }))
  const { method, style, vessel_id } = props.asked
  const asMethod = method || style === 'of_formula' || vessel_id === AS_METHOD
  return asMethod ? [...own, { value: AS_METHOD, label: t.asMethod }] : own
})
const vesselName = computed(() => {
  const { vessel_id } = props.asked
  if (vessel_id === AS_METHOD) return t.asMethod
  return props.settings.vessels?.find((each) => each.id === vessel_id)?.name ?? ''
})
</script>

<template>
  <div class="decide">
    <SentenceLine
      :label="t.lines.formula"
      :value="answer?.formula.name ?? ''"
      :open="open === 'formula'"
      :error="errors.formula_id"
      class="first"
      @toggle="toggle('formula')"
    >
      <FormulaPicker
        :model-value="asked.formula_id"
        :label="t.formula"
        :called="answer?.formula.name"
        hide-label
        @update:model-value="(value: string) => emit('formula', value)"
      />
      <p v-if="answer?.formula.note" class="small quiet">{{ answer.formula.note }}</p>
    </SentenceLine>
    <SentenceLine
      :label="t.lines.pieces"
      :value="
        (asked.later_pieces ? t.says.kept : t.says.pieces)({
          later: asked.later_pieces ?? 0,
          count: asked.pieces ?? 0,
          mass: mass(asked.scaling_weight_g ?? 0),
        })
      "
      :open="open === 'pieces'"
      :error="errors.pieces ?? errors.scaling_weight_g ?? errors.later_pieces"
      @toggle="toggle('pieces')"
    >
      <AmountField v-model="pieces" :label="t.fields.pieces" v-bind="limits.PIECES" :step="1" />
      <AmountField
        v-model="weight"
        :label="`${t.fields.weight}, ${ounces ? 'oz' : 'g'}`"
        :low="ounces ? 1.25 : limits.SCALING_WEIGHT_G.low"
        :high="ounces ? 176 : limits.SCALING_WEIGHT_G.high"
        :step="ounces ? 0.5 : 10"
        :digits="ounces ? 2 : 0"
      />
      <AmountField
        v-if="(asked.pieces ?? 1) > 1"
        v-model="later"
        :label="t.fields.later"
        :low="0"
        :high="(asked.pieces ?? 1) - 1"
        :step="1"
      />
      <ChoiceRow
        v-if="later"
        v-model="laterDays"
        :legend="t.fields.laterDays"
        :options="t.laterDays.map((label, index) => ({ value: String(index + 1), label }))"
      />
    </SentenceLine>
    <SentenceLine
      :label="t.lines.ready"
      :value="`${means === 'out' ? t.out : t.cut} ${dayWord} ${readyTime}`"
      :open="open === 'ready'"
      :error="errors.ready ?? partError ?? errors.zone"
      @toggle="toggle('ready')"
    >
      <ChoiceRow v-model="readyDay" :legend="t.fields.day" :options="days" />
      <ClockField v-model="readyTime" :label="t.fields.time" steps />
      <PartTimes :asked="asked" :answer="answer" :days="days" @change="(part) => emit('change', part)" />
      <ChoiceRow
        v-model="means"
        :legend="t.fields.means"
        :options="[
          { value: 'out', label: t.out },
          { value: 'cut', label: t.cut },
        ]"
      />
    </SentenceLine>
    <SentenceLine
      :label="t.lines.kitchen"
      :value="
        (asked.stand_c == null ? t.says.kitchen : t.says.stands)({
          warm: degree(asked.stand_c ?? 0),
          day: degree(asked.room_day_c ?? 0),
          night: degree(asked.room_night_c ?? 0),
          tap: degree(asked.tap_c ?? 0),
        })
      "
      :open="open === 'kitchen'"
      :error="errors.room_day_c ?? errors.room_night_c ?? errors.tap_c ?? errors.stand_c"
      @toggle="toggle('kitchen')"
    >
      <WarmthSlider v-model="roomDay" :label="t.fields.roomDay" v-bind="limits.ROOM_DAY_C" />
      <WarmthSlider v-model="roomNight" :label="t.fields.roomNight" v-bind="limits.ROOM_NIGHT_C" />
      <p v-if="asked.stand_c != null" class="small">
        {{ t.standsAt({ warm: degree(asked.stand_c) }) }}
        <ElButton class="link" @click="emit('change', { stand_c: undefined })">
          {{ t.standsHere }}
        </ElButton>
      </p>
      <WarmthSlider v-model="tap" :label="t.fields.tap" v-bind="limits.TAP_C" />
    </SentenceLine>
    <SentenceLine
      :label="t.lines.dough"
      :value="
        (isLevain ? t.says.leavened : t.says.dough)({
          warm: degree(asked.dough_c ?? 0),
          culture: starter ? starter.name : `${t.cultureWord} ${t.culture[asked.culture ?? 'lively']}`,
        })
      "
      :open="open === 'dough'"
      :error="errors.dough_c ?? errors.culture_id ?? errors.yeast_supplement_percent ?? errors.yeast_percent"
      @toggle="toggle('dough')"
    >
      <WarmthSlider v-model="dough" :label="t.fields.dough" v-bind="limits.DOUGH_C" />
      <ShareSlider v-if="isLevain" v-model="levain" :label="t.fields.levain" v-bind="limits.LEVAIN_PERCENT" />
      <AmountField
        v-if="answer?.plan.fold_plan?.kind || asked.folds != null"
        v-model="folds"
        :label="t.fields.folds"
        :low="0"
        :high="8"
        :step="1"
      />
      <ChoiceRow v-model="school" :legend="t.fields.school" :options="schools" />
      <p class="small quiet">{{ t.schoolWhy[school] }}</p>
      <ChoiceRow v-if="isLevain" v-model="culture" :legend="t.fields.culture" :options="cultures" />
      <p v-if="isLevain && starter" class="small quiet">{{ t.ownCulture }}</p>
      <p v-if="asked.yeast_percent != null" class="small">
        {{ t.otherYeast({ percent: asked.yeast_percent }) }}
        <ElButton class="link" @click="emit('change', { yeast_percent: undefined })">
          {{ t.usualYeast }}
        </ElButton>
      </p>
      <p v-if="asked.yeast_supplement_percent" class="small">
        {{ t.withPinch({ percent: asked.yeast_supplement_percent }) }}
        <ElButton class="link" @click="emit('change', { yeast_supplement_percent: 0 })">
          {{ t.noPinch }}
        </ElButton>
      </p>
    </SentenceLine>
    <SentenceLine
      :label="t.lines.style"
      :value="styleName"
      :open="open === 'style'"
      :error="errors.style ?? errors.method ?? errors.fridge_c ?? errors.fridge_days"
      @toggle="toggle('style')"
    >
      <ChoiceRow v-model="style" :legend="t.fields.style" :options="styles" />
      <ChoiceRow
        v-if="cold"
        v-model="fridgeDays"
        :legend="t.fields.days"
        :options="t.nights.map((label, index) => ({ value: String(index), label }))"
      />
      <WarmthSlider v-if="cold" v-model="fridge" :label="t.fields.fridge" v-bind="limits.FRIDGE_C" />
    </SentenceLine>
    <SentenceLine
      :label="t.lines.vessel"
      :value="vesselName"
      :open="open === 'vessel'"
      :error="errors.vessel_id ?? errors.vessel"
      @toggle="toggle('vessel')"
    >
      <ChoiceRow v-model="vessel" :legend="t.fields.vessel" :options="vessels" />
    </SentenceLine>
    <SentenceLine
      :label="t.lines.sleep"
      :value="t.says.sleep({ from: asked.sleep_from ?? '', to: asked.sleep_to ?? '' })"
      :open="open === 'sleep'"
      :error="errors.sleep ?? errors.sleep_from ?? errors.sleep_to"
      @toggle="toggle('sleep')"
    >
      <ClockField v-model="bed" :label="t.fields.bed" steps />
      <ClockField v-model="up" :label="t.fields.up" steps />
    </SentenceLine>
  </div>
</template>

<style scoped>
.first :deep(.value) {
  font: 650 1.875rem/1.08 var(--show);
  letter-spacing: -0.025em;
}
</style>
