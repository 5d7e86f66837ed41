<script setup lang="ts">
import { computed, reactive } from 'vue'
import { api, ask } from '../../api/client'
import ClockField from '../../forms/ClockField.vue'
import NumberField from '../../forms/NumberField.vue'
import PickField from '../../forms/PickField.vue'
import { dayAfter, nameOfDay } from '../../shell/days'
import { useNewest } from '../../shell/newest'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import DeskFrame from './DeskFrame.vue'

/** An absence: what to do before, how hungry it is on return, and how it is woken. */
const props = defineProps<{ id: string; now: number }>()
const emit = defineEmits<{ close: [] }>()
const t = words.cultures
const { dayKey, when, say } = useUnits()
const AHEAD = 28
const today = dayKey(props.now)
const trip = reactive({ leave: dayAfter(today, 3), at: '09:00', days: 10 })
const days = computed(() =>
  Array.from({ length: AHEAD }, (_, ahead) => {
    const value = dayAfter(today, ahead)
    return { value, label: ahead === 0 ? words.plan.today : nameOfDay(value, true) }
  }),
)
const { answer, refused, pending } = useNewest(
  () => ({ leave: `${trip.leave}T${trip.at}`, back: `${dayAfter(trip.leave, trip.days)}T${trip.at}` }),
  (body) => ask(api.POST('/api/cultures/{key}/away', { params: { path: { key: props.id } }, body })),
)
const found = computed(() => answer.value?.away ?? null)
const problem = computed(() => refused.value?.message ?? '')
const hungry = computed(() => {
  if (!found.value) return ''
  const { hunger, feeds, days } = found.value
  const state = hunger >= 1 ? t.awayHungry : hunger > 0.4 ? t.awayPast : t.awayWell
  return t.awaySays({ days: Math.round(days), state, count: feeds })
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
    <div v-else-if="found" class="answered" :class="{ awaited: pending }">
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
    </div>
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
