<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import ClockStrip from '../../charts/ClockStrip.vue'
import { useWidth } from '../../charts/useSize'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

type Way = Schemas['WayAnswer']
const props = defineProps<{ ways: Way[]; chosen: string | null }>()
const emit = defineEmits<{ take: [Way] }>()
const t = words.ways
const { dayClock } = useUnits()
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 900)
const HIGH = 44
const LEFT = 178
const RIGHT = 236

const narrow = computed(() => width.value < 640)
const length = computed(() => (narrow.value ? width.value : width.value - LEFT - RIGHT))
const span = computed(() => {
  const points = props.ways.flatMap((way) => way.ribbon?.parts.flatMap((part) => part.points) ?? [])
  const ends = props.ways.flatMap((way) => way.ribbon?.bake.map((stage) => Date.parse(stage.end)) ?? [])
  const starts = points.map((point) => Date.parse(point.at))
  return { start: Math.min(...starts), end: Math.max(...ends) }
})
const bakeOf = (way: Way) => {
  const stages = way.ribbon?.bake ?? []
  return stages[0] ? { start: stages[0].start, end: stages.at(-1)!.end } : null
}
const hours = (value: number) =>
  value < 40 ? `${Math.round(value)} h` : `${(value / 24).toFixed(1)} ${t.days}`
const sure = (minutes: number) =>
  `±\u00a0${minutes < 100 ? `${Math.round(minutes / 2)}\u00a0min` : `${(minutes / 120).toFixed(1)}\u00a0h`}`
const trouble = (way: Way) => way.why_not || (way.problems[0] ? t.problems[way.problems[0].code] : '')
</script>

<template>
  <section ref="host" class="ways" :aria-label="t.title">
    <h2 v-if="ways.length">{{ t.title }}</h2>
    <ol>
      <li v-for="(way, row) in ways" :key="way.style">
        <button
          type="button"
          class="way"
          :class="{ narrow }"
          :aria-pressed="chosen === way.style"
          :disabled="!way.ribbon"
          @click="emit('take', way)"
        >
          <span class="name">
            <strong>{{ way.title }}</strong>
            <span class="small quiet">{{ way.gives }}</span>
          </span>
          <ClockStrip
            :parts="way.ribbon?.parts ?? []"
            :nights="way.ribbon?.nights ?? []"
            :bake="bakeOf(way)"
            :span="span"
            :length="length"
            :high="HIGH"
            :most="1 + (way.ribbon?.greatest_rise ?? 1)"
            :named="row === 0"
          />
          <span v-if="way.costs" class="costs small">
            <span v-if="trouble(way)" class="trouble">{{ trouble(way) }}</span>
            <span>{{ t.ready({ when: way.ready ? dayClock(way.ready) : '' }) }}</span>
            <span>
              {{ hours(way.costs.hours) }}, {{ way.costs.hands_on }} {{ t.hands }}, {{ way.costs.taste }},
              {{ sure(way.costs.spread_min) }}
            </span>
          </span>
          <span v-else class="costs small quiet">{{ way.why_not }}</span>
        </button>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.ways {
  min-width: 0;
  overflow: hidden;
}
h2 {
  font-size: 1.0625rem;
  margin-bottom: 4px;
}
li:first-child .way {
  padding-top: 22px;
}
li {
  border-top: 1px solid var(--hairline);
}
.way {
  display: grid;
  grid-template-columns: 166px auto 1fr;
  gap: 12px;
  align-items: center;
  width: 100%;
  padding: 8px 0;
  border: 0;
  background: none;
  text-align: left;
  line-height: 1.25;
  cursor: pointer;
}
.way.narrow {
  grid-template-columns: 1fr;
  gap: 4px;
}
li:first-child .narrow > svg {
  margin-top: 18px;
}
.way:hover strong {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.way[aria-pressed='true'] strong::before {
  content: '';
  display: inline-block;
  width: 9px;
  height: 9px;
  margin-right: 7px;
  background: var(--ink);
}
.name,
.costs {
  display: grid;
}
.name .small,
.costs {
  font-size: 0.8125rem;
}
.trouble {
  font-weight: 650;
}
</style>
