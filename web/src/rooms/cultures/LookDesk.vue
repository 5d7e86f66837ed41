<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import CueDrawing from '../../charts/CueDrawing.vue'
import ClockField from '../../forms/ClockField.vue'
import MaybeField from '../../forms/MaybeField.vue'
import PickField from '../../forms/PickField.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import type { CultureView, EventBody } from './useCulture'

/** What is seen, smelt and measured of a culture; any of it may be left out. */
const props = defineProps<{ culture: CultureView; now: number }>()
const emit = defineEmits<{ log: [EventBody]; close: [] }>()
const t = words.cultures
const { clock, day: dayName, dayKey, fahrenheit, fromDegrees } = useUnits()
const DAYS_BACK = 14
const height = ref<number | null>(null)
const warm = ref<number | null>(null)
const gross = ref<number | null>(null)
const note = ref('')
const day = ref(dayKey(props.now))
const at = ref(clock(props.now))
const days = computed(() =>
  Array.from({ length: DAYS_BACK }, (_, back) => {
    const then = props.now - back * 86_400_000
    return { value: dayKey(then), label: back === 0 ? words.plan.today : dayName(then) }
  }),
)
type Cue = 'surface' | 'floated' | 'smell' | 'liquid' | 'growth'
const cues = reactive<Record<Cue, string | null>>({
  surface: null,
  floated: null,
  smell: null,
  liquid: null,
  growth: null,
})
const rows = (Object.keys(t.cues) as Cue[]).map((cue) => ({
  cue,
  legend: t.cueNames[cue],
  values: Object.entries(t.cues[cue] as Record<string, string>),
  drawn: cue === 'surface' || cue === 'floated',
}))
const toggle = (cue: Cue, value: string) => (cues[cue] = cues[cue] === value ? null : value)
function log() {
  const time =
    at.value === clock(props.now) && day.value === dayKey(props.now) ? null : `${day.value}T${at.value}`
  if (gross.value !== null) {
    emit('log', { kind: 'weighed', gross_g: gross.value, at: time })
    return
  }
  emit('log', {
    kind: 'seen',
    height_mm: height.value,
    culture_c: warm.value === null ? null : fromDegrees(warm.value),
    note: note.value,
    at: time,
    ...(cues as Partial<EventBody>),
  })
}
</script>

<template>
  <section class="desk">
    <header>
      <h2 tabindex="-1">{{ t.lookTitle }}</h2>
      <button type="button" class="link" @click="emit('close')">{{ t.close }}</button>
    </header>
    <form novalidate @submit.prevent="log">
      <div class="row">
        <MaybeField v-model="height" :label="t.heightNow" unit="mm" />
        <MaybeField v-model="warm" :label="t.itsWarmth" :unit="fahrenheit ? '°F' : '°C'" />
        <PickField v-model="day" :label="t.day" :options="days" />
        <ClockField v-model="at" class="at" :label="t.at" />
      </div>
      <div class="cues">
        <fieldset v-for="row in rows" :key="row.cue">
          <legend class="small quiet">{{ row.legend }}</legend>
          <button
            v-for="[value, label] in row.values"
            :key="value"
            type="button"
            class="cue"
            :class="{ on: cues[row.cue] === value, drawn: row.drawn }"
            :aria-pressed="cues[row.cue] === value"
            @click="toggle(row.cue, value)"
          >
            <CueDrawing v-if="row.drawn" :of="value" />
            {{ label }}
          </button>
        </fieldset>
      </div>
      <div class="row">
        <label class="note">
          <span class="small quiet">{{ t.note }}</span>
          <input v-model="note" class="field" maxlength="500" />
        </label>
        <button type="submit" class="action">{{ t.logLook }}</button>
      </div>
      <details>
        <summary class="small">{{ t.weighTitle }}</summary>
        <div class="row">
          <MaybeField v-model="gross" :label="t.gross" unit="g" />
          <button type="submit" class="plain" :disabled="gross === null">{{ t.logWeight }}</button>
        </div>
      </details>
    </form>
  </section>
</template>

<style scoped>
.desk,
form {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 14px;
}
.desk {
  padding: 14px 0 18px;
  border-top: 1.5px solid var(--ink);
  border-bottom: 1.5px solid var(--ink);
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
h2:focus {
  outline: none;
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
.note {
  display: grid;
}
.note {
  flex: 1;
  min-width: 200px;
}
.cues {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 32px;
}
fieldset {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}
legend {
  margin-bottom: 4px;
}
.cue {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  min-height: 48px;
  padding: 0 12px;
  border: 1.5px solid var(--quiet);
  border-radius: var(--corner);
  background: var(--paper);
  color: var(--ink);
  cursor: pointer;
}
.cue.drawn {
  padding: 4px 12px 4px 6px;
}
.cue.on {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--flour);
}
summary {
  display: flex;
  align-items: center;
  min-height: 44px;
  text-decoration: underline;
  cursor: pointer;
}
@media (max-width: 720px) {
  .row .action {
    width: 100%;
  }
}
</style>
