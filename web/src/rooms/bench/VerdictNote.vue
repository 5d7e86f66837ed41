<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** A verdict: its band of probabilities, the sentence, what counted, what to ask next, and what to do by when. */
const props = defineProps<{ verdict: Schemas['Verdict']; now: number }>()
const t = words.judge
const { say, clock } = useUnits()
const STATES = ['early', 'nearly', 'ready', 'late', 'over'] as const
/** A loaf is called by its inside and outside together. */
const name = computed(() => {
  const { stage, verdict, verdict_code } = props.verdict
  if (verdict_code) return t.loaf[verdict_code]!
  return (stage === 'baked' ? t.baked : t.verdicts)[verdict]!
})
const segments = computed(() =>
  STATES.map((state) => ({
    state,
    share: props.verdict.states[state],
    here: state === props.verdict.verdict,
  })),
)
const by = computed(() => {
  const at = clock(props.now + props.verdict.action.within_min * 60_000)
  const { code } = props.verdict.action
  return (code === 'wait' ? t.again : code === 'rescue' ? t.actBy : t.by)({ at })
})
const most = computed(() => Math.max(...props.verdict.why.map((each) => Math.abs(each.weight)), 0.5))
const told = computed(() => props.verdict.why.filter((each) => Math.abs(each.weight) > 0.05).slice(0, 5))
const summary = computed(() =>
  segments.value.map((each) => `${t.states[each.state]} ${Math.round(100 * each.share)} %`).join(', '),
)
</script>

<template>
  <section class="verdict" aria-live="polite">
    <p class="word">
      <strong>{{ name }}</strong> <span class="by">{{ by }}</span>
    </p>
    <div class="band" role="img" :aria-label="`${t.band}: ${summary}`">
      <div
        v-for="each in segments"
        :key="each.state"
        class="part"
        :class="{ here: each.here }"
        :style="{ flexGrow: Math.max(each.share, 0.02) }"
      >
        <span v-if="each.share > 0.16 || each.here">{{ t.states[each.state] }}</span>
        <span v-if="each.share > 0.13" class="figure">{{ Math.round(100 * each.share) }} %</span>
      </div>
    </div>
    <p class="do">{{ say(verdict.action.do) }}</p>
    <p v-if="verdict.action.note" class="quiet">{{ say(verdict.action.note) }}</p>
    <slot />
    <p v-if="verdict.conflict" class="conflict">
      <strong>{{ t.conflict }}.</strong> {{ say(verdict.conflict.sentence) }}
    </p>
    <ul v-if="told.length" class="why" :aria-label="t.why">
      <li v-for="each in told" :key="each.cue">
        <span class="bar" :class="{ against: each.weight < 0 }" aria-hidden="true"
          ><i :style="{ width: `${(50 * Math.abs(each.weight)) / most}%` }"
        /></span>
        <span>{{ say(each.says) }}</span>
        <span class="out-of-sight">{{ each.weight < 0 ? t.against : t.forThis }}</span>
      </li>
    </ul>
    <p class="quiet">{{ verdict.ask_next ? t.next({ look: verdict.ask_next.look }) : t.sure }}</p>
  </section>
</template>

<style scoped>
.verdict {
  display: grid;
  gap: 10px;
  font-size: 1.1875rem;
  align-content: start;
}
.word strong {
  font: 750 2.5rem/1 var(--show);
  letter-spacing: -0.02em;
}
.by {
  font: 650 1.625rem/1 var(--show);
}
.band {
  display: flex;
  height: 60px;
  border: 1.5px solid var(--ink);
  border-radius: var(--corner);
  overflow: hidden;
  background: var(--paper);
}
.part {
  display: grid;
  align-content: center;
  justify-items: center;
  flex-basis: 0;
  min-width: 6px;
  font-size: 0.9375rem;
  line-height: 1.2;
  white-space: nowrap;
  overflow: hidden;
  transition: flex-grow 0.2s;
}
.part + .part {
  border-left: 1.5px solid var(--ink);
}
.part.here {
  background: var(--ink);
  color: var(--flour);
  font-weight: 650;
}
.figure {
  font-size: 1.0625rem;
}
.do {
  font-weight: 650;
}
.conflict {
  padding: 10px 14px;
  background: var(--ink);
  color: var(--flour);
  border-radius: var(--corner);
}
.why {
  display: grid;
  gap: 4px;
  font-size: 1.0625rem;
}
.why li {
  display: grid;
  grid-template-columns: 92px 1fr;
  gap: 10px;
  align-items: center;
}
.bar {
  position: relative;
  height: 12px;
  border-left: 0;
  background: linear-gradient(var(--quiet), var(--quiet)) 50% / 1.5px 100% no-repeat;
}
.bar i {
  position: absolute;
  left: 50%;
  top: 1px;
  bottom: 1px;
  background: var(--ink);
}
.bar.against i {
  left: auto;
  right: 50%;
  background: none;
  border: 1.5px solid var(--ink);
}
@media (prefers-reduced-motion: reduce) {
  .part {
    transition: none;
  }
}
</style>
