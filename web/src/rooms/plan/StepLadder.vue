<script setup lang="ts">
import { computed } from 'vue'
import type { Plan, Step } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

const props = defineProps<{ plan: Plan }>()
const { clock, day, dayKey, say } = useUnits()
const t = words.plan

/** Steps by day; folds after the first are gathered into one line of times. */
const days = computed(() => {
  const found: { key: string; name: string; next: boolean; steps: { step: Step; also: string[] }[] }[] = []
  for (const step of props.plan.steps) {
    const key = dayKey(step.at)
    if (found.at(-1)?.key !== key) found.push({ key, name: day(step.at), next: found.length > 0, steps: [] })
    const list = found.at(-1)!.steps
    if (step.kind === 'fold' && list.at(-1)?.step.kind === 'fold') list.at(-1)!.also.push(step.at)
    else list.push({ step, also: [] })
  }
  return found
})
const title = (step: Step, also: string[]) => (also.length ? `${also.length + 1} ${t.folds}` : step.title)

/** The span's soft part and firm tick, in a fixed 72 px. */
function spanShape(step: Step) {
  const span = step.span
  if (!span?.low || !span.likely || !span.high) return null
  const [low, likely, high] = [span.low, span.likely, span.high].map((at) => Date.parse(at)) as [
    number,
    number,
    number,
  ]
  return { tick: ((likely - low) / Math.max(high - low, 1)) * 72, low, high }
}
</script>

<template>
  <section class="ladder" :aria-label="t.steps">
    <h2 class="out-of-sight">{{ t.steps }}</h2>
    <div v-for="each in days" :key="each.key">
      <h3>
        {{ each.name }}<span v-if="each.next" class="next-day">{{ t.nextDay }}</span>
      </h3>
      <ol>
        <li v-for="{ step, also } in each.steps" :key="step.key" :class="{ idle: !step.minutes }">
          <time class="clock at" :datetime="step.at">{{ clock(step.at) }}</time>
          <div class="what">
            <p class="title">
              {{ title(step, also) }}
              <span v-if="step.part" class="small quiet also">{{ step.part }}</span>
              <span v-if="also.length" class="small quiet also">{{
                also.map((at) => clock(at)).join(' · ')
              }}</span>
            </p>
            <p class="small detail">{{ say(step.detail) }}</p>
            <p v-if="spanShape(step)" class="small span">
              <svg width="74" height="14" aria-hidden="true">
                <rect class="soft" x="1" y="4" width="72" height="6" rx="3" />
                <line
                  class="firm"
                  :x1="1 + spanShape(step)!.tick"
                  :x2="1 + spanShape(step)!.tick"
                  y1="0"
                  y2="14"
                />
              </svg>
              {{ clock(spanShape(step)!.low) }}–{{ clock(spanShape(step)!.high) }}, {{ t.likely }}
              {{ clock(step.span!.likely!) }}
            </p>
            <p v-for="caution in step.cautions" :key="caution.code" class="small caution">
              {{ caution.text }}
            </p>
          </div>
        </li>
      </ol>
    </div>
  </section>
</template>

<style scoped>
h3 {
  padding: 4px 0 6px;
  font-size: 0.9375rem;
  font-weight: 600;
  border-bottom: 1px solid var(--ink);
}
.next-day {
  margin-left: 10px;
  padding: 1px 8px;
  background: var(--ink);
  color: var(--flour);
  border-radius: var(--corner);
}
ol {
  margin-bottom: 20px;
}
li {
  display: grid;
  grid-template-columns: 76px minmax(0, 1fr);
  gap: 12px;
  padding: 10px 0;
  border-bottom: 1px solid var(--hairline);
}
.at {
  font-size: 1.375rem;
  line-height: 1.15;
}
.title {
  font-weight: 650;
  line-height: 1.3;
}
.also {
  margin-left: 8px;
  font-weight: 400;
}
.idle .title {
  font-weight: 600;
}
.detail,
.caution {
  max-width: 62ch;
}
.span {
  display: flex;
  align-items: center;
  gap: 8px;
  padding-top: 2px;
}
.soft {
  fill: var(--quiet);
  opacity: 0.4;
}
.firm {
  stroke: var(--ink);
  stroke-width: 2.5;
}
.caution {
  margin-top: 4px;
  padding-left: 10px;
  border-left: 3px solid var(--quiet);
  color: var(--quiet);
}
@media (max-width: 720px) {
  li {
    grid-template-columns: 64px minmax(0, 1fr);
  }
}
</style>
