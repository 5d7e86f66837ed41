<script setup lang="ts">
import { computed, onScopeDispose, ref, watch } from 'vue'
import type { BenchDough, LiveStep } from '../../shell/bench'
import { shortcuts } from '../../shell/shortcuts'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** The next thing to do with one dough: its name as large as the screen allows, and what can be pressed about it. */
const props = defineProps<{ dough: BenchDough; step: LiveStep; now: number }>()
const emit = defineEmits<{
  done: [LiveStep]
  skip: [LiveStep]
  notYet: [number]
  snooze: []
  look: []
  read: []
  note: []
  photo: [Blob]
  extraFold: []
  edit: []
}>()
const t = words.bench
const { clock, span, when, say } = useUnits()
const file = ref<HTMLInputElement | null>(null)
const waiting = ref(false)
const minutes = computed(() => Math.round((Date.parse(props.step.at) - props.now) / 60_000))
const away = computed(() => {
  if (minutes.value === 0) return t.due
  return (minutes.value < 0 ? t.late : t.inSpan)({ span: span(minutes.value) })
})
const silent = computed(() => {
  const until = props.dough.snoozed[props.step.key]
  return until && Date.parse(until) > props.now ? until : null
})
const between = computed(() => {
  const { low, high } = props.step.span ?? {}
  return low && high ? `${clock(low)}–${clock(high)}` : ''
})
/** Cautions are quiet once they were acknowledged in this bake. */
const KNOWN = 'gentle-crust.known-cautions'
const stored = () => {
  try {
    return JSON.parse(localStorage.getItem(KNOWN) ?? '{}') as Record<string, string[]>
  } catch {
    return {}
  }
}
const known = ref(stored())
const cautions = computed(() =>
  props.step.cautions.filter((caution) => !known.value[props.dough.id]?.includes(caution.code)),
)
function acknowledge() {
  const codes = [...(known.value[props.dough.id] ?? []), ...cautions.value.map((caution) => caution.code)]
  known.value = { ...known.value, [props.dough.id]: codes }
  localStorage.setItem(KNOWN, JSON.stringify(known.value))
}
/** What is pressed counts for what was seen: for a moment after the step has changed, nothing does. */
const SETTLES_MS = 1000
const settling = ref(false)
let timer: ReturnType<typeof setTimeout> | undefined
watch(
  () => `${props.dough.id} ${props.step.key}`,
  () => {
    settling.value = true
    asking.value = null
    waiting.value = false
    clearTimeout(timer)
    timer = setTimeout(() => (settling.value = false), SETTLES_MS)
  },
)
onScopeDispose(() => clearTimeout(timer))
/** A step this far ahead is asked about once before it counts as done or left out. */
const FAR_AHEAD_MIN = 30
const asking = ref<'done' | 'skip' | null>(null)
function pressed(what: 'done' | 'skip') {
  if (settling.value) return
  if (minutes.value > FAR_AHEAD_MIN && asking.value !== what) return void (asking.value = what)
  asking.value = null
  if (what === 'done') emit('done', props.step)
  else emit('skip', props.step)
}
function hold() {
  if (!settling.value) waiting.value = true
}
/** A key that is held down presses once. */
function once(event: KeyboardEvent) {
  if (event.repeat && (event.key === 'Enter' || event.key === ' ')) event.preventDefault()
}
defineExpose({ say: pressed, settling })
const keyFor = (letter: string) => (shortcuts.value ? letter : undefined)
const canFold = computed(() => props.dough.may_fold || props.step.kind === 'fold')
function took(event: Event) {
  const input = event.target as HTMLInputElement
  const photo = input.files?.[0]
  if (photo) emit('photo', photo)
  input.value = ''
}
function wait(value: string) {
  waiting.value = false
  emit('notYet', Number(value))
}
</script>

<template>
  <section class="next" :class="{ due: step.state === 'due' }">
    <p class="out-of-sight" role="status">{{ dough.name }}: {{ step.title }}</p>
    <div class="head">
      <div class="what">
        <p class="whose">
          {{ dough.name }}<template v-if="step.part"> · {{ step.part }}</template>
        </p>
        <h2>{{ step.title }}</h2>
      </div>
      <p class="when">
        <span class="away clock">{{ away }}</span>
        <span class="at"
          >{{ when(step.at, now) }}<template v-if="between"> · {{ between }}</template></span
        >
      </p>
    </div>
    <p>{{ step.detail ? say(step.detail, now) : step.say }}</p>
    <p v-if="dough.mind" class="small mind">
      <span class="quiet">{{ t.mind }}</span> {{ dough.mind }}
    </p>
    <ul v-if="cautions.length" class="cautions">
      <li v-for="caution in cautions" :key="caution.code">{{ caution.text }}</li>
      <li>
        <ElButton class="link" @click="acknowledge">{{ words.oven.know }}</ElButton>
      </li>
    </ul>
    <div v-if="asking" class="presses" role="group" :aria-label="t.done" @keydown="once">
      <span class="asks" role="status">{{
        (asking === 'done' ? t.early : t.earlySkip)({
          step: step.title,
          span: span(Math.max(minutes, 0)),
        })
      }}</span>
      <ElButton class="press ask" @click="pressed(asking)">
        {{ asking === 'done' ? t.earlyYes : t.earlySkipYes }}
      </ElButton>
      <ElButton class="press" @click="asking = null">{{ t.earlyNo }}</ElButton>
    </div>
    <div v-else-if="waiting" class="presses" role="group" :aria-label="t.asksWait">
      <span class="asks">{{ t.asksWait }}</span>
      <ElButton v-for="(label, value) in t.waits" :key="value" class="press" @click="wait(String(value))">
        {{ label }}
      </ElButton>
      <ElButton class="press" @click="waiting = false">{{ t.close }}</ElButton>
    </div>
    <div v-else @keydown="once">
      <div class="presses">
        <ElButton
          class="press main"
          :aria-keyshortcuts="keyFor('d')"
          :aria-disabled="settling"
          @click="pressed('done')"
        >
          {{ t.done }}
        </ElButton>
        <ElButton class="press" :aria-keyshortcuts="keyFor('n')" :aria-disabled="settling" @click="hold">
          {{ t.notYet }}
        </ElButton>
        <ElButton class="press" :aria-keyshortcuts="keyFor('l')" @click="emit('look')">
          {{ t.look }}
        </ElButton>
        <ElButton class="press" :aria-keyshortcuts="keyFor('c')" @click="emit('edit')">
          {{ t.change }}
        </ElButton>
      </div>
      <div class="seldom">
        <ElButton
          class="link"
          :aria-keyshortcuts="keyFor('s')"
          :aria-disabled="settling"
          @click="pressed('skip')"
        >
          {{ t.skip }}
        </ElButton>
        <ElButton class="link" :aria-keyshortcuts="keyFor('r')" @click="emit('read')">{{ t.read }}</ElButton>
        <ElButton class="link" @click="emit('note')">{{ t.note }}</ElButton>
        <ElButton class="link" @click="file?.click()">{{ t.photo }}</ElButton>
        <ElButton v-if="canFold" class="link" @click="emit('extraFold')">{{ t.extraFold }}</ElButton>
        <template v-if="step.state === 'due'">
          <span v-if="silent" class="silent">{{ t.snoozed({ at: clock(silent) }) }}</span>
          <ElButton v-else class="link" @click="emit('snooze')">{{ t.snooze }}</ElButton>
        </template>
        <input
          ref="file"
          class="out-of-sight"
          type="file"
          accept="image/*"
          tabindex="-1"
          :aria-label="t.photo"
          @change="took"
        />
      </div>
    </div>
  </section>
</template>

<style scoped>
.next {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  font-size: 1.375rem;
  line-height: 1.3;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: end;
  gap: 24px;
}
h2 {
  font-size: clamp(2.75rem, 5vw, 3.75rem);
  line-height: 0.98;
}
.whose {
  font-weight: 650;
}
.when {
  display: grid;
  justify-items: end;
  flex: none;
}
.away {
  font-size: 2.75rem;
  line-height: 1.05;
}
.due .away {
  padding: 2px 12px;
  background: var(--ink);
  color: var(--flour);
}
.cautions {
  font-size: 1.1875rem;
  padding-left: 12px;
  border-left: 3px solid var(--ink);
}
.presses {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  margin-top: 6px;
}
.press {
  min-height: 60px;
  margin: 0;
  padding: 0 18px;
  font-size: 1.25rem;
  font-weight: 600;
}
.press[aria-disabled='true'],
.link[aria-disabled='true'] {
  border-color: var(--hairline);
  color: var(--quiet);
  cursor: default;
}
.press.main[aria-disabled='true'] {
  background: var(--quiet);
  border-color: var(--quiet);
  color: var(--flour);
}
.press.main,
.press.ask {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--flour);
}
.press.main {
  min-width: 190px;
  font-size: 1.75rem;
  font-weight: 750;
}
.seldom {
  display: flex;
  flex-wrap: wrap;
  gap: 0 22px;
  align-items: center;
  margin: 4px 0 0;
}
.seldom .link {
  min-height: 48px;
  margin: 0;
  font-size: 1.1875rem;
}
.asks {
  font-weight: 650;
}
.silent {
  font-size: 1.1875rem;
}
@media (max-width: 720px) {
  .head {
    display: grid;
    gap: 4px;
  }
  .when {
    justify-items: start;
  }
  .press {
    flex: 1 1 30%;
    padding: 0 6px;
    font-size: 1.1875rem;
  }
  .press.main {
    flex-basis: 100%;
    min-height: 84px;
  }
  .seldom {
    justify-content: space-between;
    gap: 0 14px;
  }
}
</style>
