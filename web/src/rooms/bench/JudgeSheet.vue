<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import LookDrawing from '../../charts/LookDrawing.vue'
import type { BenchDough } from '../../shell/bench'
import { useNewest } from '../../shell/newest'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import SheetFrame from './SheetFrame.vue'
import VerdictNote from './VerdictNote.vue'

/** Is it ready? Press what is seen; the verdict weighs it with the forecast. */
const props = defineProps<{ dough: BenchDough; now: number; holds: boolean }>()
const emit = defineEmits<{
  close: []
  judged: [{ cues: Record<string, string | number>; wait: number | null; note: string; ends: boolean }]
  change: [Schemas['Remedy']]
}>()
const t = words.judge
const { clock, say, fahrenheit, fromDegrees } = useUnits()
const cues = ref<Record<string, string | number>>({})
const path = computed(() => ({ path: { key: props.dough.id } }))

const asked = useQuery({
  queryKey: ['cues', props.dough.id, props.dough.standing.stage],
  queryFn: () => ask(api.GET('/api/bench/{key}/cues', { params: path.value })),
})
const drawn = new Set([
  'poke', 'edge', 'jiggle', 'bubbles', 'feel', 'windowpane', 'surface', 'float', 'liquid', 'cracks', 'knock', 'crust',
  'base', 'crackle',
]) // prettier-ignore

const weighing = useNewest(
  () => cues.value,
  (seen) => ask(api.POST('/api/bench/{key}/judge', { params: path.value, body: { cues: seen } })),
)
const { pending } = weighing
const verdict = computed(() => weighing.answer.value?.verdict ?? null)
const problem = computed(() => weighing.refused.value?.message ?? '')

const ways = useQuery({
  queryKey: ['rescues', props.dough.id],
  enabled: computed(() => verdict.value?.action.code === 'rescue'),
  queryFn: () => ask(api.GET('/api/bench/{key}/remedies', { params: path.value })),
})
/** What is seen now is kept, with the wait that its own verdict asks for. */
async function keep(waiting: boolean, ends = false) {
  const found = await weighing.current()
  if (!found) return
  const { within_min, do: note } = found.verdict.action
  emit('judged', { cues: cues.value, wait: waiting ? within_min : null, note: waiting ? note : '', ends })
}

function pick(cue: string, value: string) {
  const { [cue]: before, ...rest } = cues.value
  cues.value = before === value ? rest : { ...rest, [cue]: value }
}
function measure(cue: string, unit: string, text: string) {
  const rest = { ...cues.value }
  delete rest[cue]
  const value = Number(text.replace(',', '.'))
  const known = text.trim() !== '' && Number.isFinite(value)
  cues.value = known ? { ...rest, [cue]: unit === 'C' ? fromDegrees(value) : value } : rest
}
const unitOf = (unit: string) =>
  unit === 'C' ? (fahrenheit.value ? '°F' : '°C') : unit === 'times' ? '×' : unit
const lookAgain = computed(() => clock(props.now + (verdict.value?.action.within_min ?? 0) * 60_000))
const waits = computed(() => verdict.value?.action.code === 'wait' && props.holds)
const ready = computed(() => Object.keys(cues.value).length > 0)
/** What was judged may end its stage at once, if what comes after it is not due anyhow. */
const next = computed(() => props.dough.steps.find((step) => step.key === props.dough.next))
const goesOn = computed(
  () =>
    props.holds && !waits.value && verdict.value?.action.code !== 'rescue' && next.value?.state === 'coming',
)
</script>

<template>
  <SheetFrame
    :title="t.titles[dough.standing.stage]!"
    :lead="`${dough.name}. ${t.lead}`"
    @close="emit('close')"
  >
    <div class="sides">
      <div class="cues">
        <template v-for="cue in asked.data.value?.cues ?? []" :key="cue.cue">
          <div v-if="cue.values.length" class="group" role="group" :aria-label="t.cues[cue.cue] ?? cue.cue">
            <span class="legend">{{ t.cues[cue.cue] ?? cue.cue }}</span>
            <button
              v-for="one in cue.values"
              :key="one.value"
              type="button"
              class="cue"
              :class="{ on: cues[cue.cue] === one.value, asked: verdict?.ask_next?.cue === cue.cue }"
              :aria-pressed="cues[cue.cue] === one.value"
              @click="pick(cue.cue, one.value)"
            >
              <LookDrawing v-if="drawn.has(cue.cue)" :cue="cue.cue" :of="one.value" />
              <span>{{ t.values[one.value] ?? one.value }}</span>
            </button>
          </div>
          <label v-else class="measure">
            <span>{{ t.cues[cue.cue] ?? cue.cue }}</span>
            <ElInput
              inputmode="decimal"
              autocomplete="off"
              @input="measure(cue.cue, cue.unit, ($event.target as HTMLInputElement).value)"
            />
            <span>{{ unitOf(cue.unit) }}</span>
          </label>
        </template>
        <label v-if="dough.standing.stage === 'baked'" class="measure">
          <span>{{ words.oven.outWeight }}</span>
          <ElInput
            inputmode="decimal"
            autocomplete="off"
            @input="measure('out_g', 'g', ($event.target as HTMLInputElement).value)"
          />
          <span>g</span>
        </label>
        <p v-if="asked.isError.value" role="alert">{{ words.failed }}</p>
      </div>
      <div class="answer">
        <p v-if="problem" role="alert" class="trouble">{{ problem }}</p>
        <VerdictNote :class="{ awaited: pending }" v-if="verdict" :verdict="verdict" :now="now">
          <div class="actions">
            <template v-if="verdict.action.code === 'rescue'">
              <ElButton
                v-for="way in ways.data.value?.rescues ?? []"
                :key="way.change.code"
                class="plain way"
                @click="emit('change', way)"
              >
                {{ say(way.sentence, now) }}
              </ElButton>
            </template>
            <ElButton v-if="waits" class="action" @click="keep(true)">
              {{ t.waitUntil({ at: lookAgain }) }}
            </ElButton>
            <ElButton v-else class="action" :disabled="!ready" @click="keep(false)">
              {{ t.keep }}
            </ElButton>
            <ElButton v-if="goesOn && next" class="plain" :disabled="!ready" @click="keep(false, true)">
              {{ t.goOn({ step: next.title }) }}
            </ElButton>
          </div>
        </VerdictNote>
      </div>
    </div>
  </SheetFrame>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 400px;
  gap: 32px;
}
.cues {
  display: grid;
  gap: 8px;
  align-content: start;
}
.group {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}
.legend {
  flex: 0 0 128px;
  font-weight: 650;
  font-size: 1.1875rem;
  line-height: 1.15;
}
.cue {
  display: grid;
  gap: 2px;
  justify-items: center;
  align-content: center;
  min-width: 106px;
  min-height: 52px;
  padding: 4px 8px;
  border: 1.5px solid var(--quiet);
  border-radius: var(--corner);
  background: var(--paper);
  font-size: 1.0625rem;
  cursor: pointer;
}
.cue.asked {
  border-style: dashed;
  border-color: var(--ink);
}
.cue.on {
  border-style: solid;
  border-color: var(--ink);
  background: var(--ink);
  color: var(--flour);
}
.measure {
  display: flex;
  gap: 10px;
  align-items: center;
  font-size: 1.1875rem;
}
.measure span:first-child {
  min-width: 128px;
  font-weight: 650;
}
.measure .field {
  width: 110px;
  min-height: 48px;
}
.answer {
  display: grid;
  gap: 16px;
  align-content: start;
  padding-left: 28px;
  border-left: 1px solid var(--hairline);
}
.actions {
  display: grid;
  gap: 8px;
}
.actions .action {
  min-height: 60px;
  font-size: 1.25rem;
}
.way {
  min-height: 52px;
  padding: 8px 14px;
  text-align: left;
}
.trouble {
  font-weight: 650;
}
@media (max-width: 900px) {
  .sides {
    grid-template-columns: 1fr;
  }
  .answer {
    order: -1;
    padding: 0 0 14px;
    border: 0;
    border-bottom: 1px solid var(--hairline);
  }
  .legend {
    flex-basis: 100%;
  }
  .cue {
    min-width: 0;
    flex: 1 1 80px;
  }
}
</style>
