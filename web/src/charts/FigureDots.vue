<script setup lang="ts">
import { scaleLinear, scaleTime } from 'd3-scale'
import { computed, ref } from 'vue'
import { useWidth } from './useSize'

/** One figure of many bakes over time: a dot each. */
const props = defineProps<{
  title: string
  points: { id: string; at: number; value: number; says: string }[]
  from: number
  to: number
  /** A value in words, for the axis. */
  say: (value: number) => string
}>()
const emit = defineEmits<{ open: [string] }>()
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 420)
const HIGH = 132
const LEFT = 62
const BASE = 20
const x = computed(() => scaleTime([props.from, props.to], [LEFT + 8, width.value - 10]))
const y = computed(() => {
  const values = props.points.map(({ value }) => value)
  const [low, high] = [Math.min(...values), Math.max(...values)]
  const more = Math.max((high - low) * 0.15, Math.abs(high) * 0.02, 0.02)
  return scaleLinear([low - more, high + more], [HIGH - BASE, 8])
})
const ticks = computed(() => y.value.ticks(3))
const days = computed(() => x.value.ticks(Math.max(Math.round(width.value / 150), 2)))
const dayOf = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' })
</script>

<template>
  <figure ref="host">
    <figcaption>{{ title }}</figcaption>
    <svg :width="width" :height="HIGH" role="list" :aria-label="title">
      <g v-for="tick in ticks" :key="tick" aria-hidden="true">
        <line class="grid" :x1="LEFT" :x2="width" :y1="y(tick)" :y2="y(tick)" />
        <text :x="LEFT - 8" :y="y(tick) + 4" class="value">{{ say(tick) }}</text>
      </g>
      <text v-for="day in days" :key="Number(day)" :x="x(day)" :y="HIGH - 3" class="day" aria-hidden="true">
        {{ dayOf.format(day) }}
      </text>
      <circle
        v-for="point in points"
        :key="point.id"
        role="listitem"
        :cx="x(point.at)"
        :cy="y(point.value)"
        r="5.5"
        :aria-label="point.says"
        @click="emit('open', point.id)"
      >
        <title>{{ point.says }}</title>
      </circle>
    </svg>
  </figure>
</template>

<style scoped>
figure {
  min-width: 0;
}
figcaption {
  font: 650 1.0625rem/1.3 var(--show);
}
svg {
  display: block;
}
.grid {
  stroke: var(--hairline);
}
circle {
  fill: var(--ink);
  stroke: var(--flour);
  stroke-width: 1.5;
  cursor: pointer;
}
text {
  font-size: 13px;
  fill: var(--quiet);
}
.value {
  text-anchor: end;
}
.day {
  text-anchor: middle;
}
</style>
