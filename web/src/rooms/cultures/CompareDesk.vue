<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { area, line } from 'd3-shape'
import { computed, ref } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import { useWidth } from '../../charts/useSize'
import PickField from '../../forms/PickField.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import DeskFrame from './DeskFrame.vue'
import { said, type CultureView } from './useCulture'

/** Two cultures side by side: what each would do with the same feed, and how sure that is. */
const props = defineProps<{ culture: CultureView; others: Schemas['CultureLine'][] }>()
const emit = defineEmits<{ close: [] }>()
const t = words.cultures
const { say } = useUnits()
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 700)
const HIGH = 170
const LEFT = 30
const rest = computed(() =>
  props.others.filter((each) => each.id !== props.culture.id && each.life && !each.guide),
)
const chosen = ref('')
const second = computed({
  get: () => chosen.value || (rest.value[0]?.id ?? ''),
  set: (value) => (chosen.value = value),
})
const plain = (key: () => string) =>
  useQuery({
    queryKey: ['culture', 'plain', key],
    enabled: () => key() !== '',
    retry: false,
    queryFn: () => ask(api.GET('/api/cultures/{key}/plain-feed', { params: { path: { key: key() } } })),
  })
const mine = plain(() => props.culture.id)
const theirs = plain(() => second.value)
const problem = computed(() => (mine.error.value ? said(mine.error.value) : ''))
const pair = computed(() => {
  const other = rest.value.find((each) => each.id === second.value)
  const found = []
  if (mine.data.value && props.culture.life)
    found.push({ name: props.culture.culture.name, life: props.culture.life, feed: mine.data.value.plain })
  if (other?.life && theirs.data.value)
    found.push({ name: other.culture.name, life: other.life, feed: theirs.data.value.plain })
  return found
})
const length = computed(() => Math.max(width.value - LEFT - 8, 200))
const last = computed(() => pair.value[0]?.feed.points.at(-1)?.hours ?? 16)
const x = (hours: number) => (hours / last.value) * length.value
const most = computed(() =>
  Math.max(1.2, ...pair.value.flatMap((each) => each.feed.points.map((point) => point.high))),
)
const y = (rise: number) => HIGH - ((1 + rise) / (1 + most.value)) * (HIGH - 12)
type Point = Schemas['PlainPoint']
const curve = line<Point>()
  .x((point) => x(point.hours))
  .y((point) => y(point.rise))
const soft = area<Point>()
  .x((point) => x(point.hours))
  .y0((point) => y(point.low))
  .y1((point) => y(point.high))
const drawn = computed(() =>
  pair.value.map(({ name, feed }, index) => {
    const at = feed.points[Math.round(feed.points.length * (0.3 + 0.14 * index))]!
    return { name, curve: curve(feed.points)!, band: soft(feed.points)!, x: x(at.hours), y: y(at.rise) }
  }),
)
const says = computed(() =>
  pair.value.map(({ name, life, feed }) => ({
    name,
    vigour: `${Math.round(100 * life.vigour.likely * life.strength)} %`,
    sure: t.sureBy({ percent: Math.round(128 * life.vigour.sigma), count: life.readings }),
    ripe:
      feed.ripe.likely == null
        ? t.notRipe
        : t.ripeAfter({
            low: (feed.ripe.low ?? 0).toFixed(1),
            likely: feed.ripe.likely.toFixed(1),
            high: (feed.ripe.high ?? last.value).toFixed(1),
          }),
  })),
)
</script>

<template>
  <DeskFrame :title="t.compare" @close="emit('close')">
    <div ref="host">
      <PickField
        v-model="second"
        class="pick"
        :label="t.beside"
        :options="rest.map((each) => ({ value: each.id, label: each.culture.name }))"
      />
      <p v-if="problem" class="inverted error" role="alert">{{ problem }}</p>
      <p v-else class="quiet">{{ say(t.compareLead) }}</p>
      <svg v-if="drawn.length" :width="width" :height="HIGH + 36" role="img" :aria-label="t.compareDrawing">
        <g :transform="`translate(${LEFT} 4)`">
          <template v-for="times in [1, 2]" :key="times">
            <line class="scale" x1="0" :x2="length" :y1="y(times - 1)" :y2="y(times - 1)" />
            <text class="note" x="-6" :y="y(times - 1) + 4" text-anchor="end">×{{ times }}</text>
          </template>
          <g v-for="(each, index) in drawn" :key="each.name">
            <path class="band" :d="each.band" />
            <path class="curve" :class="{ second: index === 1 }" :d="each.curve" />
          </g>
          <text
            v-for="(each, index) in drawn"
            :key="each.name"
            class="note strong"
            :x="each.x + (index ? 12 : -12)"
            :y="each.y + (index ? 16 : -4)"
            :text-anchor="index ? 'start' : 'end'"
          >
            {{ each.name }}
          </text>
          <line class="base" x1="0" :x2="length" :y1="HIGH" :y2="HIGH" />
          <text
            v-for="hours in [0, 4, 8, 12, 16]"
            :key="hours"
            class="note"
            :x="x(hours)"
            :y="HIGH + 18"
            :text-anchor="hours === 16 ? 'end' : 'middle'"
          >
            {{ hours }} h
          </text>
        </g>
      </svg>
      <dl>
        <div v-for="each in says" :key="each.name">
          <dt>{{ each.name }}</dt>
          <dd>
            <strong class="clock">{{ each.vigour }}</strong> {{ t.ofUsual }}, {{ each.sure }}.
            {{ each.ripe }}.
          </dd>
        </div>
      </dl>
    </div>
  </DeskFrame>
</template>

<style scoped>
.pick {
  width: 220px;
}
svg {
  display: block;
  overflow: visible;
}
.scale {
  stroke: var(--hairline);
}
.base {
  stroke: var(--ink);
  stroke-width: 2;
}
.curve {
  fill: none;
  stroke: var(--ink);
  stroke-width: 2.5;
}
.band {
  fill: var(--band);
}
.curve.second {
  stroke-dasharray: 6 5;
}
.note {
  font: 400 0.8125rem var(--read);
  fill: var(--quiet);
}
.note.strong {
  font-weight: 650;
  fill: var(--ink);
  paint-order: stroke;
  stroke: var(--flour);
  stroke-width: 4px;
}
dl {
  display: grid;
  gap: 4px;
}
dl div {
  display: grid;
  grid-template-columns: 120px minmax(0, 1fr);
}
dt {
  font-weight: 650;
}
</style>
