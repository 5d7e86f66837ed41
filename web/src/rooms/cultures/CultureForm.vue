<script setup lang="ts">
import { reactive, ref, watch } from 'vue'
import MaybeMassField from '../../forms/MaybeMassField.vue'
import { api, ask, type Schemas } from '../../api/client'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import MaybeField from '../../forms/MaybeField.vue'
import NumberField from '../../forms/NumberField.vue'
import { newKey } from '../../shell/keys'
import { words } from '../../words'
import FeedTimes from './FeedTimes.vue'
import FlourMix from './FlourMix.vue'
import { BLANK, said } from './useCulture'
import TextField from '../../forms/TextField.vue'
import { useWhole } from '../../forms/useWhole'

/** A culture: what it is fed with, its jar, where it lives and when it is fed. A new one may be begun from nothing. */
const props = defineProps<{ id: string | null; culture?: Schemas['Culture'] }>()
const emit = defineEmits<{ saved: [string]; cancel: [] }>()
const t = words.cultures
const key = props.id ?? newKey()
const from = props.culture
const schedule = from?.schedule ?? null
const form = reactive({
  name: from?.name ?? '',
  flour_kind: from?.flour_kind ?? 'strong_white',
  hydration_percent: from?.hydration_percent ?? 100,
  also_flours: (from?.also_flours ?? []).map((each) => ({ ...each })),
  empty_g: from?.jar.empty_g ?? null,
  diameter_mm: (from ? from.jar.diameter_mm : 85) ?? null,
  height_mm: from?.jar.height_mm ?? null,
  volume_ml: from?.jar.volume_ml ?? null,
  place: from?.place ?? 'counter',
  note: from?.note ?? '',
  how: 'have' as 'have' | 'begin',
  every: schedule
    ? schedule.times[0]!.weekday != null
      ? 'weekly'
      : schedule.every_days === 1
        ? 'daily'
        : 'days'
    : 'none',
  days: schedule?.every_days ?? 2,
  times: (schedule?.times ?? [{ hour: 20, weekday: null }]).map((each) => ({ ...each })),
})
const options = <T extends string>(texts: Record<T, string>) =>
  (Object.entries(texts) as [T, string][]).map(([value, label]) => ({ value, label }))
const problem = ref('')
const everyDays = () => {
  if (form.every === 'daily') return 1
  if (form.every !== 'weekly') return form.days
  return form.times.length > 1 ? 7 : Math.max(7 * Math.round(form.days / 7), 7)
}
const THURSDAY = 3
/** Another kind of standing feeds: days of the week are set, or dropped; every few days there is one feed. */
watch(
  () => form.every,
  (every) => {
    const times = form.times.map((each) => ({
      hour: each.hour,
      weekday: every === 'weekly' ? (each.weekday ?? THURSDAY) : null,
    }))
    form.times = every === 'days' ? times.slice(0, 1) : times
  },
)
const whole = useWhole()
async function save() {
  if (!(await whole())) return
  const body: Schemas['CultureBody'] = {
    name: form.name,
    flour_kind: form.flour_kind,
    also_flours: form.also_flours,
    hydration_percent: form.hydration_percent,
    jar: {
      empty_g: form.empty_g,
      diameter_mm: form.diameter_mm,
      height_mm: form.height_mm,
      volume_ml: form.volume_ml,
    },
    place: form.place,
    note: form.note,
    schedule:
      form.every === 'none'
        ? null
        : {
            every_days: everyDays(),
            times: form.times,
            then: form.place,
          },
  }
  try {
    await ask(api.PUT('/api/cultures/{key}', { params: { path: { key } }, body }))
    if (!props.id && form.how === 'begin') await begin()
    problem.value = ''
    emit('saved', key)
  } catch (error) {
    problem.value = said(error)
  }
}
const begin = () =>
  ask(
    api.PUT('/api/cultures/{key}/events/{event}', {
      params: { path: { key, event: `${key}-0` } },
      body: { kind: 'begun', seed_g: 0, flour_g: 50, water_g: 50, culture_c: 27, ...BLANK },
    }),
  )
</script>

<template>
  <ElForm ref="sheet" novalidate class="form" :model="form" @submit.prevent="save">
    <h2 tabindex="-1">{{ id ? t.edit : t.add }}</h2>
    <ChoiceRow v-if="!id" v-model="form.how" :legend="t.howFrom" :options="options(t.hows)" />
    <p v-if="!id && form.how === 'begin'" class="mind">{{ t.beginWords }}</p>
    <div class="row">
      <TextField
        v-model="form.name"
        class="name"
        prop="name"
        :label="t.name"
        :most="40"
        :required="words.forms.nameIt"
      />
      <NumberField v-model="form.hydration_percent" :label="t.itsWater" unit="%" />
    </div>
    <FlourMix v-model:kind="form.flour_kind" v-model:also="form.also_flours" :label="t.fedWith" />
    <h3>{{ t.jar }}</h3>
    <div class="row">
      <MaybeMassField v-model="form.empty_g" :label="t.emptyG" />
      <MaybeField v-model="form.diameter_mm" :label="t.diameter" unit="mm" />
      <MaybeField v-model="form.height_mm" :label="t.rimHeight" unit="mm" />
      <MaybeField v-model="form.volume_ml" :label="t.volume" unit="ml" />
    </div>
    <p class="small quiet">{{ t.jarWhy }}</p>
    <ChoiceRow v-model="form.place" :legend="t.livesOn" :options="options(t.lives)" />
    <ChoiceRow v-model="form.every" :legend="t.standing" :options="options(t.standings)" />
    <div v-if="form.every !== 'none'" class="row">
      <NumberField v-if="form.every === 'days'" v-model="form.days" :label="t.everyDays" :digits="0" />
      <FeedTimes v-model="form.times" :by-day="form.every === 'weekly'" :several="form.every !== 'days'" />
    </div>
    <TextField v-model="form.note" class="name wide" :label="t.note" :most="500" />
    <p v-if="problem" class="inverted error" role="alert">{{ problem }}</p>
    <div class="row">
      <ElButton native-type="submit" class="action">{{ t.save }}</ElButton>
      <ElButton class="link" @click="emit('cancel')">{{ t.cancel }}</ElButton>
    </div>
  </ElForm>
</template>

<style scoped>
.form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
  max-width: 760px;
  padding: 20px 28px 40px 24px;
}
.middle .form {
  padding: 14px 0;
  border-top: 1.5px solid var(--ink);
}
h2:focus {
  outline: none;
}
h3 {
  font-size: 1.0625rem;
  font-weight: 650;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px 18px;
  align-items: end;
}
.name {
  display: grid;
  min-width: 200px;
}
.mind {
  padding-left: 10px;
  border-left: 3px solid var(--ink);
  max-width: 68ch;
}
.error {
  padding: 10px 14px;
  border-radius: var(--corner);
}
@media (max-width: 720px) {
  .form {
    padding: 14px 16px;
  }
}
</style>
