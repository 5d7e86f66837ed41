<script setup lang="ts">
import { computed, ref } from 'vue'
import ClockField from '../../forms/ClockField.vue'
import RemoveButton from '../../forms/RemoveButton.vue'
import type { BenchDough } from '../../shell/bench'
import { useUnits } from '../../shell/units'
import { told, words } from '../../words'
import { byHand } from './byHand'

/** What happened to a dough, the latest first: each can be taken back, and its time put right. */
const props = defineProps<{ dough: BenchDough }>()
const emit = defineEmits<{ back: [string]; correct: [{ event: string; at: string }] }>()
const t = words.bench
const { when, clock, dayKey, warmth, mass, say } = useUnits()
const SHOWN = 12
const all = ref(false)
const moving = ref('')
const at = ref('')

type Told = BenchDough['history'][number]
const stepName = (key: unknown) =>
  props.dough.steps.find((step) => step.key === key)?.title ??
  (String(key).startsWith('extra_fold') ? t.extraFold : String(key))
function says({ kind, body }: Told): string {
  const called = (data: Record<string, string> = {}) => told(t.kinds[kind] ?? kind, data)
  if (kind === 'bake_step') return body.skipped ? `${stepName(body.key)}: ${t.skipped}` : stepName(body.key)
  if (kind === 'bake_judged') {
    const { verdict, stage, verdict_code } = body.verdict as {
      verdict: string
      stage: string
      verdict_code?: string
    }
    const kept = stage === 'baked' ? words.judge.baked[verdict] : words.judge.verdicts[verdict]
    const named = verdict_code ? words.judge.loaf[verdict_code] : kept
    return called({ verdict: String(named).toLowerCase() })
  }
  if (kind === 'reading') {
    const value = Number(body.value)
    if (body.kind === 'core_c') return `${words.oven.coreNow} ${warmth(value)}`
    if (body.kind === 'oven_c') return `${words.oven.title} ${warmth(value)}`
    return called({ value: body.kind === 'dough_c' ? warmth(value) : `+${Math.round(100 * value)} %` })
  }
  if (kind === 'bake_water') {
    const more = Number(body.more_g)
    return `${more > 0 ? t.waters.more : t.waters.less}: ${mass(Math.abs(more))}`
  }
  if (kind === 'bake_note') return `${called()}: ${String(body.text)}`
  if (kind === 'bake_changed') return `${called()}: ${say(String(body.sentence ?? ''))}`
  if (kind === 'bake_edited') return called({ what: byHand(body) })
  return called({
    how: t.outcomes[String(body.how)] ?? '',
    device: String(body.device || t.probe.none),
    step: stepName(body.key),
  })
}
const lines = computed(() => [...props.dough.history].reverse())
const shown = computed(() => (all.value ? lines.value : lines.value.slice(0, SHOWN)))
function open(event: Told) {
  moving.value = moving.value === event.id ? '' : event.id
  at.value = clock(event.at)
}
/** The time of that day by the kitchen's clock: the program makes an instant of it. */
function correct(event: Told) {
  emit('correct', { event: event.id, at: `${dayKey(event.at)}T${at.value}` })
  moving.value = ''
}
</script>

<template>
  <ul class="history" :aria-label="t.past">
    <li v-for="event in shown" :key="event.id">
      <button
        type="button"
        class="time clock"
        :aria-expanded="moving === event.id"
        :aria-label="`${clock(event.at)}: ${t.correct}`"
        @click="open(event)"
      >
        {{ when(event.at, Date.parse(lines[0]!.at)) }}
      </button>
      <span class="says">
        <img
          v-if="event.kind === 'bake_photo'"
          :src="`/api/photos/${event.id}?small=1`"
          :alt="`${t.photo} ${clock(event.at)}`"
          width="72"
          height="54"
        />
        {{ says(event) }}
      </span>
      <RemoveButton
        v-if="event.kind !== 'bake_started'"
        :of="`${clock(event.at)} ${says(event)}`"
        @remove="emit('back', event.id)"
      />
      <form v-if="moving === event.id" class="move" @submit.prevent="correct(event)">
        <ClockField v-model="at" :label="t.when" steps />
        <ElButton native-type="submit" class="plain">{{ t.correct }}</ElButton>
      </form>
    </li>
    <li v-if="lines.length > SHOWN && !all">
      <ElButton class="link" @click="all = true">{{ lines.length - SHOWN }} {{ t.more }}</ElButton>
    </li>
  </ul>
</template>

<style scoped>
.history {
  font-size: 1.1875rem;
}
li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  border-bottom: 1px solid var(--hairline);
}
.time {
  min-width: 76px;
  min-height: 48px;
  padding: 0;
  border: 0;
  background: none;
  font-size: 1.1875rem;
  text-align: left;
  text-decoration: underline;
  text-decoration-thickness: 1px;
  text-underline-offset: 4px;
  cursor: pointer;
}
.says {
  flex: 1;
  min-width: 0;
  display: flex;
  gap: 10px;
  align-items: center;
  overflow-wrap: anywhere;
}
img {
  margin: 6px 0;
  object-fit: cover;
  border: 1.5px solid var(--ink);
}
.move {
  display: flex;
  gap: 10px;
  align-items: end;
  width: 100%;
  padding-bottom: 10px;
}
</style>
