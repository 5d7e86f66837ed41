<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../api/client'
import { useUnits } from '../shell/units'
import { words } from '../words'
import ClockAxis from './ClockAxis.vue'
import { clockScale } from './clockScale'
import { useWidth } from './useSize'

/** Ways to ripe levain side by side on one clock: when each is fed, and when it is ripe, against when it is wanted. */
const props = defineProps<{ answer: Schemas['FeedAnswerShown']; chosen: number; now: number }>()
const emit = defineEmits<{ choose: [number] }>()
const t = words.cultures
const { clock } = useUnits()
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 800)
const HIGH = 44
const narrow = computed(() => width.value < 560)
const LEFT = computed(() => (narrow.value ? 0 : 172))
const ways = computed(() =>
  props.answer.ways.length ? props.answer.ways : props.answer.night_way ? [props.answer.night_way] : [],
)
const start = computed(() => {
  const first = Math.min(...ways.value.map((way) => Date.parse(way.feeds[0]!.at)))
  const usual = props.answer.usual.at(-1)
  const from = usual ? Date.parse(usual) - 1_800_000 : props.now
  return Math.min(from, first) - (narrow.value ? 900_000 : 0)
})
const end = computed(() => {
  const lasts = ways.value.map((way) => Date.parse(way.spent.high ?? way.spent.likely ?? props.answer.wanted))
  return Math.max(...lasts, Date.parse(props.answer.wanted) + 3_600_000)
})
const length = computed(() => Math.max(width.value - LEFT.value - 16, 200))
const time = computed(() => clockScale(start.value, end.value, length.value, 46, clock))
const within = (at: string | number) => Math.min(Math.max(time.value.x(at), 0), length.value)
const nights = computed(() =>
  props.answer.nights
    .map((night) => ({ from: within(night.start), to: within(night.end) }))
    .filter((night) => night.to - night.from > 1),
)
const wantedX = computed(() => within(props.answer.wanted))
const rows = computed(() =>
  ways.value.map((way) => {
    const { low, likely } = way.ripe
    const from = within(likely ?? props.answer.wanted)
    const to = within(way.spent.likely ?? props.answer.wanted)
    return {
      way,
      feeds: way.feeds.map((feed) => ({ x: within(feed.at), clock: clock(feed.at) })),
      soft: { from: within(low ?? likely ?? props.answer.wanted), to: within(way.spent.high ?? end.value) },
      firm: { from, to },
      ripe: `${clock(likely ?? props.answer.wanted)}–${clock(way.spent.likely ?? props.answer.wanted)}`,
    }
  }),
)
const parts = (way: Schemas['WayShown']) => {
  const { ratio } = way.feeds.at(-1)!.feed.build
  const hydration = way.feeds.at(-1)!.feed.build
  const water = (hydration.water_g / hydration.flour_g) * ratio
  return `1 : ${plain(ratio)} : ${plain(water)}`
}
const plain = (value: number) => String(Math.round(value * 10) / 10)
const when = (way: Schemas['WayShown']) =>
  way.feeds.length > 1 ? t.feedsFrom({ count: way.feeds.length }) : ''
</script>

<template>
  <div ref="host" class="feed-ways" role="radiogroup" :aria-label="t.waysTitle">
    <button
      v-for="(row, index) in rows"
      :key="index"
      type="button"
      role="radio"
      class="way"
      :class="{ narrow, on: index === chosen }"
      :aria-checked="index === chosen"
      @click="emit('choose', index)"
    >
      <span class="name">
        <strong class="clock">{{ parts(row.way) }}</strong>
        <span class="small quiet"
          >{{ row.feeds.map((feed) => feed.clock).join(', ') }} {{ when(row.way) }}</span
        >
      </span>
      <svg :width="length + 2" :height="HIGH" aria-hidden="true">
        <rect
          v-for="(night, place) in nights"
          :key="place"
          class="night"
          :x="night.from"
          y="0"
          :width="night.to - night.from"
          :height="HIGH"
        />
        <circle
          v-if="answer.usual.length"
          class="usual"
          :cx="within(answer.usual.at(-1)!)"
          :cy="HIGH / 2"
          r="5"
        />
        <line class="rises" :x1="row.feeds[0]!.x" :x2="row.firm.from" :y1="HIGH / 2" :y2="HIGH / 2" />
        <rect
          class="soft"
          :x="row.soft.from"
          :y="HIGH / 2 - 7"
          :width="Math.max(row.soft.to - row.soft.from, 2)"
          height="14"
        />
        <rect
          class="firm"
          :x="row.firm.from"
          :y="HIGH / 2 - 7"
          :width="Math.max(row.firm.to - row.firm.from, 2)"
          height="14"
        />
        <circle
          v-for="(feed, place) in row.feeds"
          :key="`f${place}`"
          class="feed"
          :cx="feed.x"
          :cy="HIGH / 2"
          r="6"
        />
        <line class="wanted" :x1="wantedX" :x2="wantedX" y1="0" :y2="HIGH" />
      </svg>
      <span class="out-of-sight">{{ t.ripe }} {{ row.ripe }}</span>
    </button>
    <svg class="axis" :class="{ narrow }" :width="length + 2" height="42" aria-hidden="true">
      <ClockAxis :ticks="time.ticks" />
      <text class="says" :x="wantedX" y="38" :text-anchor="wantedX > length - 60 ? 'end' : 'middle'">
        {{ t.wantedAt }} {{ clock(answer.wanted) }}
      </text>
    </svg>
  </div>
</template>

<style scoped>
.way {
  display: flex;
  align-items: center;
  width: 100%;
  padding: 0 8px 0 0;
  border: 0;
  border-top: 1px solid var(--hairline);
  background: none;
  text-align: left;
  cursor: pointer;
}
.way .name {
  display: grid;
  flex: none;
  width: 172px;
  padding: 4px 8px 4px 12px;
  border-left: 4px solid transparent;
  line-height: 1.25;
}
.way:hover .name {
  border-color: var(--hairline);
}
.way.on {
  background: var(--paper);
}
.way.on .name {
  border-color: var(--ink);
}
.way.narrow {
  display: grid;
  padding: 4px 0;
}
.way.narrow .name {
  grid-auto-flow: column;
  justify-content: space-between;
  align-items: baseline;
  width: 100%;
}
svg {
  display: block;
}
.axis {
  margin-left: 172px;
  overflow: visible;
  border-top: 1.5px solid var(--ink);
}
.axis.narrow {
  margin-left: 0;
}
.night {
  fill: var(--night);
}
.rises {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.soft {
  fill: var(--band);
}
.firm {
  fill: var(--leaf);
  stroke: var(--ink);
  stroke-width: 1.5;
}
.usual {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
}
.feed {
  fill: var(--ink);
}
.wanted {
  stroke: var(--ink);
  stroke-width: 2;
  stroke-dasharray: 3 3;
}
.note {
  font: 400 0.8125rem var(--read);
  fill: var(--quiet);
}
.note.strong {
  font-weight: 650;
  fill: var(--ink);
}
.says {
  font: 650 0.9375rem var(--read);
  fill: var(--ink);
}
</style>
