<script setup lang="ts">
import { computed, ref } from 'vue'
import { api, ask } from '../../api/client'
import { useWidth } from '../../charts/useSize'
import { useNewest } from '../../shell/newest'
import { useUnits } from '../../shell/units'
import { told, words } from '../../words'
import type { Loaf } from './useOven'

/** A fired oven's afternoon: its floor as it falls, and each of the formulas at its turn. */
const props = defineProps<{ fired: NonNullable<Loaf['fired']> }>()
const t = words.oven
const { warmth, degree, span } = useUnits()
const { answer: found, refused } = useNewest(
  () => props.fired,
  (body) => ask(api.POST('/api/oven/falling', { body })),
)
const frame = ref<HTMLElement | null>(null)
const width = useWidth(frame, 340)
const [LEFT, RIGHT, TOP, HIGH] = [44, 12, 14, 190]
const stands = computed(() => found.value?.stands ?? [])
const last = computed(() => stands.value.at(-1)?.min ?? 1)
const range = computed(() => {
  const all = stands.value.flatMap(({ floor_c, dome_c }) => [floor_c, dome_c])
  return [Math.floor(Math.min(...all, 200) / 50) * 50, Math.ceil(Math.max(...all, 300) / 50) * 50] as const
})
const x = (min: number) => LEFT + (min / last.value) * (width.value - LEFT - RIGHT)
const y = (c: number) => TOP + HIGH * (1 - (c - range.value[0]) / (range.value[1] - range.value[0]))
const line = (of: 'floor_c' | 'dome_c') =>
  stands.value
    .map((each, at) => `${at ? 'L' : 'M'}${x(each.min).toFixed(1)} ${y(each[of]).toFixed(1)}`)
    .join('')
const grid = computed(() => {
  const marks = []
  for (let c = range.value[0]; c <= range.value[1]; c += 50) marks.push(c)
  return marks
})
const hours = computed(() => Array.from({ length: Math.floor(last.value / 60) + 1 }, (_, hour) => hour))
const floorAt = (min: number) =>
  stands.value.find((each) => each.min >= min)?.floor_c ?? stands.value.at(-1)!.floor_c
const turns = computed(() =>
  (found.value?.turns ?? []).map((turn, index) => ({
    ...turn,
    number: index + 1,
    when: told(t.suits[turn.suits]!, {
      from: span(turn.from_min ?? 0),
      span: span((turn.to_min ?? 0) - (turn.from_min ?? 0)),
    }),
    at: turn.from_min == null ? null : { x: x(turn.from_min), y: y(floorAt(turn.from_min)) },
  })),
)
/** Turns of one moment share a dot. */
const dots = computed(() => {
  const by = new Map<number, { x: number; y: number; numbers: number[] }>()
  for (const { at, number } of turns.value) {
    if (!at) continue
    const key = Math.round(at.x / 14)
    const dot = by.get(key) ?? { ...at, numbers: [] }
    dot.numbers.push(number)
    by.set(key, dot)
  }
  return [...by.values()]
})
const drawn = computed(() => {
  const [first, end] = [stands.value[0], stands.value.at(-1)]
  return first && end
    ? t.floorOver({ from: warmth(first.floor_c), to: warmth(end.floor_c), span: span(end.min) })
    : ''
})
</script>

<template>
  <section ref="frame" class="falling">
    <h2>{{ t.afternoon }}</h2>
    <p v-if="refused" class="inverted error" role="alert">{{ refused.message }}</p>
    <template v-if="found">
      <p>
        {{ found.flour }} <span class="quiet">{{ t.afternoonLead }}</span>
      </p>
      <div>
        <svg :width="width" :height="TOP + HIGH + 28" role="img" :aria-label="drawn">
          <g v-for="c in grid" :key="c">
            <line class="grid" :x1="LEFT" :x2="width - RIGHT" :y1="y(c)" :y2="y(c)" />
            <text class="axis" :x="LEFT - 6" :y="y(c) + 4" text-anchor="end">{{ degree(c) }}</text>
          </g>
          <text
            v-for="hour in hours"
            :key="hour"
            class="axis"
            :x="x(hour * 60)"
            :y="TOP + HIGH + 20"
            text-anchor="middle"
          >
            {{ hour }} h
          </text>
          <path class="dome" :d="line('dome_c')" />
          <path class="floor" :d="line('floor_c')" />
          <g v-for="dot in dots" :key="dot.x">
            <circle class="dot" :cx="dot.x" :cy="dot.y" r="6" />
            <text class="number" :x="dot.x + 9" :y="dot.y - 8">{{ dot.numbers.join(', ') }}</text>
          </g>
        </svg>
      </div>
      <ol>
        <li v-for="turn in turns" :key="turn.id" :class="{ off: turn.from_min == null }">
          <span class="clock">{{ turn.number }}</span>
          <strong>{{ turn.name }}</strong>
          <span class="small quiet">{{ t.turnOf({ c: warmth(turn.floor_c) }) }}</span>
          <span>{{ turn.when }}{{ turn.ajar ? t.doorAjar : '' }}</span>
        </li>
      </ol>
    </template>
  </section>
</template>

<style scoped>
.falling {
  margin-top: 24px;
}
.grid {
  stroke: var(--hairline);
}
.axis {
  fill: var(--quiet);
  font-size: 13px;
}
.floor,
.dome {
  fill: none;
  stroke: var(--ember);
  stroke-width: 3;
}
.dome {
  stroke: var(--quiet);
  stroke-width: 1.5;
  stroke-dasharray: 5 4;
}
.dot {
  fill: var(--flour);
  stroke: var(--ink);
  stroke-width: 2.5;
}
.number {
  fill: var(--ink);
  font-size: 15px;
  font-weight: 650;
}
li {
  display: grid;
  grid-template-columns: 1.5rem minmax(0, 14rem) 9rem minmax(0, 1fr);
  gap: 4px 12px;
  align-items: baseline;
  padding: 6px 0;
  border-bottom: 1px solid var(--hairline);
}
.off {
  color: var(--quiet);
}
.error {
  padding: 8px 12px;
}
@media (max-width: 720px) {
  li {
    grid-template-columns: 1.5rem minmax(0, 1fr) auto;
  }
  li > :last-child {
    grid-column: 2 / -1;
  }
}
</style>
