<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { api, ask, Refused, type SavedPlan, type Schemas } from '../../api/client'
import ClockField from '../../forms/ClockField.vue'
import ReadingFields from '../../forms/ReadingFields.vue'
import RemoveButton from '../../forms/RemoveButton.vue'
import { newKey } from '../../shell/keys'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** What the dough itself says: readings of rise, temperature and readiness, and what they move. */
const props = defineProps<{ saved: SavedPlan; now: number }>()
const emit = defineEmits<{ read: [SavedPlan] }>()
const t = words.read
type Measure = Schemas['ReadingBody']['measure']
const client = useQueryClient()
const { clock, dayKey, warmth, say } = useUnits()

const marked = (unit: string) => props.saved.marks.find((mark) => mark.unit === unit)
const start = {
  percent: Math.round(100 * props.saved.plan.proof.bulk_rise),
  line: Math.round((marked('ml')?.target ?? 2000) / 10) / 100,
  first: Math.round(marked('mm')?.start ?? 30),
  height: Math.round(marked('mm')?.target ?? 40),
}
const measures = Object.keys(t.measures) as Measure[]
const fields = ref<{ read: () => { measure: Measure; value: number; start: number | null } } | null>(null)
const at = ref(clock(props.now))
const problem = ref('')
async function take(call: Promise<{ data?: SavedPlan; error?: unknown }>) {
  try {
    emit('read', await ask(call))
    problem.value = ''
    await client.invalidateQueries({ queryKey: ['plans'] })
  } catch (error) {
    problem.value = error instanceof Refused && error.message ? error.message : words.failed
  }
}
function log(sure = false) {
  const path = { key: props.saved.id, reading: newKey() }
  if (!fields.value) return
  const body = {
    ...fields.value.read(),
    at: `${dayKey(props.now)}T${at.value}`,
    sure,
  }
  return take(api.PUT('/api/plans/{key}/readings/{reading}', { params: { path }, body }))
}
const remove = (reading: string) =>
  take(
    api.DELETE('/api/plans/{key}/readings/{reading}', { params: { path: { key: props.saved.id, reading } } }),
  )
const shown = (reading: SavedPlan['readings'][number]) => {
  if (reading.kind === 'dough_c') return warmth(reading.value)
  if (reading.kind === 'ready') return t.wasReady
  return `+${Math.round(100 * reading.value)} %`
}
</script>

<template>
  <section class="read no-print" :aria-label="t.title">
    <h2>{{ t.title }}</h2>
    <p v-if="saved.followed?.told?.sentence" class="told" role="status">
      <strong>{{ saved.followed.told.sentence }}</strong> {{ t.moved }}
    </p>
    <ul v-if="saved.readings.length">
      <li v-for="reading in saved.readings" :key="reading.id">
        <span class="clock">{{ clock(reading.at) }}</span>
        <strong>{{ shown(reading) }}</strong>
        <span class="small quiet">{{ t.kinds[reading.kind] }}</span>
        <RemoveButton :of="`${clock(reading.at)} ${shown(reading)}`" @remove="remove(reading.id)" />
        <p v-if="reading.doubt" class="small doubt">{{ say(reading.doubt) }} {{ t.notCounted }}</p>
      </li>
    </ul>
    <form novalidate @submit.prevent="log()">
      <ReadingFields ref="fields" :measures="measures" :start="start">
        <ClockField v-model="at" class="at" :label="t.at" />
        <ElButton native-type="submit" class="plain">{{ t.log }}</ElButton>
        <ElButton class="link" @click="log(true)">{{ t.sure }}</ElButton>
      </ReadingFields>
      <p v-if="problem" class="inverted error" role="alert">{{ problem }}</p>
    </form>
  </section>
</template>

<style scoped>
.read {
  display: grid;
  gap: 10px;
  padding-top: 12px;
  border-top: 1px solid var(--ink);
}
h2 {
  font-size: 1.0625rem;
}
form {
  display: grid;
  gap: 10px;
}
.told {
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
  border-bottom: 1px solid var(--hairline);
}
.doubt {
  width: 100%;
  padding-bottom: 6px;
}
.at {
  width: 96px;
}
.error {
  padding: 10px 14px;
  border-radius: var(--corner);
}
</style>
