<script setup lang="ts">
import { useQueries } from '@tanstack/vue-query'
import { area, line } from 'd3-shape'
import { computed, ref } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import { useWidth } from '../../charts/useSize'
import ManyField from '../../forms/ManyField.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import DeskFrame from './DeskFrame.vue'
import { said, type CultureView } from './useCulture'

/** Cultures side by side: what each would do with the same feed, and how sure that is. */
const props = defineProps<{ culture: CultureView; others: Schemas['CultureLine'][] }>()
const emit = defineEmits<{ close: [] }>()
const t = words.cultures
const { say } = useUnits()
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 700)
const HIGH = 190
const LEFT = 30
const MOST = 5
const APART = 17
const rest = computed(() =>
  props.others.filter((each) => each.id !== props.culture.id && each.life && !each.guide),
)
const picked = ref<string[] | null>(null)
const beside = computed({
  get: () => picked.value ?? rest.value.slice(0, 1).map((each) => each.id),
  set: (value) => (picked.value = value.slice(0, MOST - 1)),
})
const keys = computed(() => [props.culture.id, ...beside.value])
const answers = useQueries({
  queries: computed(() =>
    keys.value.map((key) => ({
      queryKey: ['culture', 'plain', key],
      retry: false,
      queryFn: () => ask(api.GET('/api/cultures/{key}/plain-feed', { params: { path: { key } } })),
    })),
  ),
})
const problem = computed(() => {
  const error = answers.value.find((each) => each.error)?.error
  return error ? said(error) : ''
})
const shown = computed(() =>
  keys.value.flatMap((key, place) => {
    const of = place ? rest.value.find((each) => each.id === key) : props.culture
    const feed = answers.value[place]?.data?.plain
    return of?.life && feed ? [{ name: of.culture.name, life: of.life, feed }] : []
  }),
)
const right = computed(() => (width.value < 520 ? 78 : 118))
const length = computed(() => Math.max(width.value - LEFT - right.value, 180))
const last = computed(() => shown.value[0]?.feed.points.at(-1)?.hours ?? 16)
const x = (hours: number) => (hours / last.value) * length.value
const most = computed(() =>
  Math.max(1.2, ...shown.value.flatMap((each) => each.feed.points.map((point) => point.high))),
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
/** Each with its name at the end of its line, names kept apart; how sure it is is drawn where there are but two. */
const drawn = computed(() => {
  const found = shown.value.map(({ name, feed }, place) => {
    const end = y(feed.points.at(-1)!.rise)
    const band = shown.value.length > 2 ? '' : soft(feed.points)!
    return { name, place, curve: curve(feed.points)!, band, end, at: end }
  })
  const down = [...found].sort((one, other) => one.end - other.end)
  down.forEach((each, place) => {
    if (place) each.at = Math.max(each.at, down[place - 1]!.at + APART)
  })
  const over = (down.at(-1)?.at ?? 0) - (HIGH - 4)
  if (over > 0) down.forEach((each) => (each.at -= over))
  return found
})
const says = computed(() =>
  shown.value.map(({ name, life, feed }) => ({
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
      <ManyField
        v-model="beside"
        class="pick"
        :label="t.beside"
        :placeholder="t.besideNone"
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
          <g v-for="each in drawn" :key="each.place">
            <path v-if="each.band" class="band" :d="each.band" />
            <path class="curve" :class="`kind-${each.place}`" :d="each.curve" />
          </g>
          <g v-for="each in drawn" :key="`n${each.place}`">
            <line class="lead" :x1="length + 2" :x2="length + 10" :y1="each.end" :y2="each.at" />
            <text class="note strong" :x="length + 13" :y="each.at + 4">{{ each.name }}</text>
          </g>
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
  max-width: 420px;
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
.curve.kind-1 {
  stroke-dasharray: 7 5;
}
.curve.kind-2 {
  stroke-dasharray: 2 4;
}
.curve.kind-3 {
  stroke-dasharray: 12 4 2 4;
}
.curve.kind-4 {
  stroke-width: 1.25;
}
.lead {
  stroke: var(--quiet);
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
