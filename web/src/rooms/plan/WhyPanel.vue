<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask, type Asked, type Schemas } from '../../api/client'
import NumberField from '../../forms/NumberField.vue'
import PickField from '../../forms/PickField.vue'
import { useNewest } from '../../shell/newest'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** What drives the forecast, the weightiest first, and the forecast's questions turned round. */
const props = defineProps<{
  why: Schemas['Why'] | null
  asked: Asked
  bulkRise: number
  bulkHours: number
  levain: boolean
}>()
const t = words.why
const { say, warmth } = useUnits()
const WIDE = 150

const bars = computed(() => {
  const most = Math.max(...(props.why?.drivers.map((each) => Math.abs(Math.log(each.factor))) ?? []), 0.1)
  return (props.why?.drivers ?? []).map((each) => {
    const length = (Math.log(each.factor) / most) * (WIDE / 2 - 4)
    return { ...each, x: WIDE / 2 + Math.min(length, 0), width: Math.max(Math.abs(length), 1.5) }
  })
})
const change = (factor: number) => {
  const percent = Math.round(100 * Math.abs(factor - 1))
  return (factor > 1 ? t.longer : t.shorter)({ percent })
}
const hours = (value: number) =>
  `${Math.floor(value + 1 / 120)} h ${String(Math.round((value * 60) % 60) % 60).padStart(2, '0')}`

type Question = Schemas['TurnBody']['question']
const questions = computed(() =>
  Object.entries(t.questions)
    .filter(([value]) => value !== 'levain' || props.levain)
    .map(([value, label]) => ({ value: value as Question, label })),
)
const question = ref<Question>('ready')
const rise = ref(Math.round(100 * props.bulkRise))
const time = ref(Math.round(10 * props.bulkHours) / 10)
const roomHours = ref(2)
const turning = ref(false)
const { answer, refused, pending } = useNewest(
  () =>
    turning.value
      ? {
          asked: props.asked,
          question: question.value,
          rise: rise.value / 100,
          hours: time.value,
          room_h: roomHours.value,
        }
      : null,
  (body) => ask(api.POST('/api/plan/turn', { body })),
  { wait: 250 },
)
const problem = computed(() => refused.value?.message ?? '')
function turn() {
  turning.value = true
}
const said = computed(() => {
  const found = answer.value
  if (!found || pending.value) return ''
  const { value, low, high, sentence } = found.turned
  if (value == null) return sentence
  if (found.unit === 'c') return warmth(value)
  if (found.unit === 'percent') return `${value < 1 ? value.toFixed(3) : value.toFixed(1)} % ${t.ofFlour}`
  return question.value === 'ready'
    ? `${hours(value)} (${hours(low)}–${hours(high)})`
    : `${hours(value)} ${t.afterMixing}`
})
</script>

<template>
  <section class="why">
    <div v-if="why" class="drivers">
      <p>
        {{ t.lead({ plain: hours(why.plain_h), likely: hours(why.likely_h) }) }}
      </p>
      <dl>
        <div v-for="bar in bars" :key="bar.name">
          <dt>{{ bar.name }}</dt>
          <dd class="bar">
            <svg :width="WIDE" height="22" aria-hidden="true">
              <line class="middle" :x1="WIDE / 2" :x2="WIDE / 2" y1="0" y2="22" />
              <rect :x="bar.x" y="5" :width="bar.width" height="12" />
            </svg>
          </dd>
          <dd class="small">
            <strong>{{ change(bar.factor) }}</strong> {{ say(bar.sentence) }}
          </dd>
        </div>
      </dl>
      <p class="small quiet">{{ t.scale }}</p>
    </div>
    <p v-else class="quiet">{{ words.loading }}</p>
    <form class="turn" novalidate @submit.prevent="turn">
      <h3>{{ t.turn }}</h3>
      <PickField v-model="question" :label="t.question" :options="questions" />
      <div class="pair">
        <NumberField v-model="rise" :label="t.rise" unit="%" />
        <NumberField v-if="question !== 'ready'" v-model="time" :label="t.after" unit="h" />
        <NumberField v-if="question === 'take_out'" v-model="roomHours" :label="t.inRoom" unit="h" />
        <ElButton native-type="submit" class="plain">{{ t.reckon }}</ElButton>
      </div>
      <p v-if="problem" class="inverted error" role="alert">{{ problem }}</p>
      <p v-if="answer" role="status">
        <strong class="clock said">{{ said }}</strong>
        <span class="small quiet">{{ t.leans }} {{ answer.turned.leans_on }}</span>
      </p>
    </form>
  </section>
</template>

<style scoped>
.why {
  display: grid;
  grid-template-columns: minmax(0, 1.4fr) minmax(0, 1fr);
  gap: 20px 40px;
  padding: 12px 0 4px;
  border-top: 1px solid var(--ink);
}
dl > div {
  display: grid;
  grid-template-columns: 104px auto minmax(0, 1fr);
  gap: 12px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--hairline);
}
.drivers {
  display: grid;
  gap: 8px;
  align-content: start;
}
svg {
  display: block;
}
rect {
  fill: var(--ink);
}
.middle {
  stroke: var(--quiet);
}
.turn {
  display: grid;
  gap: 10px;
  align-content: start;
}
h3 {
  font-size: 1.0625rem;
  font-weight: 650;
}
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 12px;
  align-items: end;
}
.said {
  display: block;
  font-size: 1.375rem;
}
.error {
  padding: 10px 14px;
  border-radius: var(--corner);
}
@media (max-width: 1000px) {
  .why {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 720px) {
  dl > div {
    grid-template-columns: 100px 1fr;
  }
  dl > div .small {
    grid-column: 1 / 3;
  }
}
</style>
