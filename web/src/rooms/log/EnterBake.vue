<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive } from 'vue'
import { api, ask } from '../../api/client'
import ClockField from '../../forms/ClockField.vue'
import DateField from '../../forms/DateField.vue'
import FormulaPicker from '../../forms/FormulaPicker.vue'
import MaybeField from '../../forms/MaybeField.vue'
import PickField from '../../forms/PickField.vue'
import TextField from '../../forms/TextField.vue'
import { dayAfter } from '../../shell/days'
import { useFormulas } from '../../shell/formulas'
import { useKitchen, useNow } from '../../shell/kitchen'
import { useActing } from '../../shell/acting'
import { newKey } from '../../shell/keys'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import SheetFrame from '../bench/SheetFrame.vue'

/** A bake that is over: what is remembered of it; the rest is reckoned. */
const emit = defineEmits<{ close: []; entered: [string] }>()
const t = words.log
const now = useNow()
const { settings } = useKitchen()
const { dayKey, fahrenheit, toDegrees, fromDegrees } = useUnits()
const { lines } = useFormulas()
const styles = useQuery({
  queryKey: ['styles'],
  queryFn: () => ask(api.GET('/api/styles')),
  staleTime: Infinity,
})
const yesterday = dayAfter(dayKey(now.value), -1)
const SUITS = 'suits'
const wish = reactive({
  formula: '',
  mixedDay: yesterday,
  mixed: '09:00',
  outDay: yesterday,
  out: '18:00',
  style: SUITS,
  vessel: SUITS,
  pieces: null as number | null,
  dough_c: null as number | null,
  oven_c: null as number | null,
  baked_min: null as number | null,
  note: '',
})
const formula = computed(() => wish.formula || lines.value[0]?.id || '')
const ways = computed(() => [
  { value: SUITS, label: t.asSuits },
  ...(styles.data.value?.styles ?? []).map((each) => ({ value: each.id, label: String(each.name) })),
])
const vessels = computed(() => [
  { value: SUITS, label: t.asSuits },
  ...(settings.value?.vessels ?? []).map((each) => ({ value: each.id, label: each.name })),
])
/** A dough that went on over the night came out on another day: the later one follows. */
function setMixedDay(day: string) {
  wish.mixedDay = day
  if (wish.outDay < day) wish.outDay = day
}
const key = newKey()
const event = newKey()
const { busy, problem, act } = useActing()
const keep = () =>
  act(async () => {
    await ask(
      api.PUT('/api/bakes/{key}', {
        params: { path: { key } },
        body: {
          event,
          formula_id: formula.value,
          mixed: `${wish.mixedDay}T${wish.mixed}`,
          out: `${wish.outDay}T${wish.out}`,
          style: wish.style === SUITS ? null : wish.style,
          vessel_id: wish.vessel === SUITS ? null : wish.vessel,
          pieces: wish.pieces,
          dough_c: wish.dough_c,
          oven_c: wish.oven_c,
          baked_min: wish.baked_min,
          note: wish.note,
        },
      }),
    )
    emit('entered', key)
  })
</script>

<template>
  <SheetFrame :title="t.enterTitle" :lead="t.enterLead" @close="emit('close')">
    <form @submit.prevent="keep">
      <FormulaPicker
        v-if="formula"
        :model-value="formula"
        :label="t.formula"
        @update:model-value="(value: string) => (wish.formula = value)"
      />
      <div class="row">
        <DateField :model-value="wish.mixedDay" :label="t.mixedDay" @update:model-value="setMixedDay" />
        <ClockField v-model="wish.mixed" :label="t.mixedAt" />
        <DateField v-model="wish.outDay" :label="t.outDay" />
        <ClockField v-model="wish.out" :label="t.outAt" />
      </div>
      <div class="row">
        <PickField v-model="wish.style" :label="t.how" :options="ways" />
        <PickField v-model="wish.vessel" :label="t.vessel" :options="vessels" />
        <MaybeField v-model="wish.pieces" :label="t.pieces" />
        <MaybeField
          v-for="(label, name) in { dough_c: t.doughC, oven_c: t.ovenC }"
          :key="name"
          :model-value="wish[name] == null ? null : toDegrees(wish[name]!)"
          :label="label"
          :unit="fahrenheit ? '°F' : '°C'"
          @update:model-value="
            (value: number | null | undefined) => (wish[name] = value == null ? null : fromDegrees(value))
          "
        />
        <MaybeField v-model="wish.baked_min" :label="t.bakedMin" unit="min" />
      </div>
      <TextField v-model="wish.note" :label="t.note" :most="2000" :rows="3" />
      <p v-if="problem" class="inverted wrong" role="alert">{{ problem }}</p>
      <ElButton native-type="submit" class="action" :loading="busy" :disabled="!formula">{{
        t.keepBake
      }}</ElButton>
    </form>
  </SheetFrame>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
  max-width: 720px;
}
.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  gap: 10px 16px;
}
.wrong {
  padding: 12px 18px;
  border-radius: var(--corner);
}
</style>
