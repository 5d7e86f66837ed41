<script setup lang="ts">
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import ClockField from '../../forms/ClockField.vue'
import NumberField from '../../forms/NumberField.vue'
import PickField from '../../forms/PickField.vue'
import { useUnits } from '../../shell/units'
import { fill, words } from '../../words'
import DeskFrame from './DeskFrame.vue'
import { said } from './useCulture'

/** An absence: what to do before, how hungry it is on return, and how it is woken. */
const props = defineProps<{ id: string; now: number }>()
const emit = defineEmits<{ close: [] }>()
const t = words.cultures
const { day: dayName, dayKey, when, say } = useUnits()
const DAY = 86_400_000
const AHEAD = 28
const trip = reactive({ leave: '3', at: '09:00', days: 10 })
const days = computed(() =>
  Array.from({ length: AHEAD }, (_, ahead) => ({
    value: String(ahead),
    label: ahead === 0 ? words.plan.today : dayName(props.now + ahead * DAY),
  })),
)
const found = shallowRef<Schemas['AwayShown'] | null>(null)
const problem = ref('')
const body = computed(() => {
  const leaves = props.now + Number(trip.leave) * DAY
  return {
    leave: `${dayKey(leaves)}T${trip.at}`,
    back: `${dayKey(leaves + trip.days * DAY)}T${trip.at}`,
  }
})
let turn = 0
watch(
  body,
  async (asked) => {
    const mine = ++turn
    try {
      const path = { key: props.id }
      const answer = await ask(api.POST('/api/cultures/{key}/away', { params: { path }, body: asked }))
      if (mine === turn) [found.value, problem.value] = [answer.away, '']
    } catch (error) {
      if (mine === turn) problem.value = said(error)
    }
  },
  { immediate: true },
)
const hungry = computed(() => {
  if (!found.value) return ''
  const { hunger, feeds, days } = found.value
  const state = hunger >= 1 ? t.awayHungry : hunger > 0.4 ? t.awayPast : t.awayWell
  return fill(t.awaySays, { days: Math.round(days), state, count: feeds })
})
</script>

<template>
  <DeskFrame :title="t.awayTitle" @close="emit('close')">
    <div class="line">
      <PickField v-model="trip.leave" :label="t.leave" :options="days" />
      <ClockField v-model="trip.at" class="at" :label="t.at" />
      <NumberField v-model="trip.days" :label="t.forDays" :unit="words.ways.days" :digits="1" />
    </div>
    <p v-if="problem" class="inverted error" role="alert">{{ problem }}</p>
    <template v-else-if="found">
      <p>{{ hungry }}</p>
      <ol>
        <li v-for="step in found.steps" :key="step.at + step.title">
          <span class="clock">{{ when(step.at, now) }}</span>
          <span>
            <strong>{{ step.title }}</strong> {{ say(step.detail) }}
            <span v-for="caution in step.cautions" :key="caution.code" class="small quiet">
              {{ caution.text }}</span
            >
          </span>
        </li>
        <li>
          <span class="clock">{{ when(found.ready, now) }}</span>
          <strong>{{ t.awayReady }}</strong>
        </li>
      </ol>
    </template>
  </DeskFrame>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 124px minmax(0, 1fr);
  gap: 14px;
  padding: 8px 0;
  border-top: 1px solid var(--hairline);
}
</style>
