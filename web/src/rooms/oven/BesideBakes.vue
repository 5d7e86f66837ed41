<script setup lang="ts">
import { useQueries } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ask } from '../../api/client'
import { crustColour } from '../../charts/temperature'
import { useWidth } from '../../charts/useSize'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import type { Baked, Loaf, Preheated, Way } from './useOven'

/** Two or three ways on one time axis: core and crust over the minutes, and what differs. */
const props = defineProps<{ loaf: Loaf; first: Baked; ways: Way[] }>()
const t = words.oven
const { warmth, degree } = useUnits()
const frame = ref<HTMLElement | null>(null)
const width = useWidth(frame, 700)
const asked = useQueries({
  queries: computed(() =>
    props.ways.map((way) => ({
      queryKey: ['oven', 'beside', props.loaf, way.key],
      queryFn: () =>
        ask(
          api.POST('/api/oven/bake', {
            body: {
              loaf: props.loaf,
              vessel_id: way.vessel_id,
              preheated: way.preheated as Preheated,
              steam: way.steam,
              stages: [],
              preheat_min: null,
              poured: [],
            },
          }),
        ),
    })),
  ),
})
const rows = computed(() => [props.first, ...asked.value.flatMap((each) => (each.data ? [each.data] : []))])
const from = computed(() => Math.max(...rows.value.map((row) => row.preheat_min)))
const to = computed(() => Math.max(...rows.value.map((row) => row.curve.at(-1)!.min)))
const LEFT = 150
const x = (minute: number) =>
  LEFT + ((minute + from.value) / (from.value + to.value)) * Math.max(width.value - LEFT - 48, 100)
const name = (row: Baked) =>
  [
    row.vessel,
    row.preheated === 'whole' ? (row.steam.length ? '' : t.hot) : t.cold,
    ...row.steam.map((kind) => t.steamNames[kind] ?? kind),
  ]
    .filter(Boolean)
    .join(', ')
const core = (row: Baked) =>
  row.curve
    .filter((point) => point.min >= 0)
    .map((point, index) => `${index ? 'L' : 'M'}${x(point.min)} ${46 - point.core * 0.4}`)
    .join('')
const ticks = computed(() => {
  const found = []
  for (let at = -Math.floor(from.value / 20) * 20; at <= to.value; at += 20) found.push(at)
  return found
})
const facts = computed(() => {
  const read: [string, (row: Baked) => string][] = [
    [t.facts.heating, (row) => `${Math.round(row.preheat_min)} min`],
    [t.facts.minutes, (row) => `${Math.round(row.curve.at(-1)!.min)} min`],
    [t.facts.spring, (row) => String(Math.round(row.end.spring))],
    [t.facts.colour, (row) => `${row.end.shade}, ${Math.round(row.end.colour)}`],
    [t.facts.base, (row) => String(Math.round(row.end.base_colour))],
    [t.facts.crust, (row) => `${row.end.crust_mm.toFixed(1)} mm`],
    [t.facts.loss, (row) => `${(row.end.loss * 100).toFixed(1)} %`],
    [t.facts.core, (row) => warmth(row.end.core_c)],
    [t.facts.last, (row) => t.signs[row.lag.last] ?? row.lag.last],
  ]
  return read.map(([label, of]) => {
    const values = rows.value.map(of)
    return { label, values, differs: new Set(values).size > 1 }
  })
})
</script>

<template>
  <section ref="frame" class="beside">
    <h2>{{ t.besideTitle }}</h2>
    <svg :width="width" :height="rows.length * 84 + 28" role="img" :aria-label="rows.map(name).join('; ')">
      <defs>
        <linearGradient
          v-for="(row, index) in rows"
          :id="`beside-${index}`"
          :key="index"
          gradientUnits="userSpaceOnUse"
          :x1="x(0)"
          :x2="x(row.curve.at(-1)!.min)"
          y1="0"
          y2="0"
        >
          <stop
            v-for="point in row.curve.filter((each) => each.min >= 0)"
            :key="point.min"
            :offset="point.min / row.curve.at(-1)!.min"
            :stop-color="crustColour(point.colour / 100)"
          />
        </linearGradient>
      </defs>
      <line
        v-for="at in ticks"
        :key="at"
        :x1="x(at)"
        :x2="x(at)"
        y1="0"
        :y2="rows.length * 84"
        class="grid"
      />
      <g v-for="(row, index) in rows" :key="index" :transform="`translate(0 ${index * 84})`">
        <text x="0" y="24" class="who">{{ row.vessel }}</text>
        <text x="0" y="44" class="how">{{ name(row).split(', ').slice(1).join(', ') }}</text>
        <rect
          :x="x(-row.preheat_min)"
          y="30"
          :width="Math.max(x(0) - x(-row.preheat_min), 0)"
          height="16"
          class="heating"
        />
        <path :d="core(row)" class="core" />
        <rect
          :x="x(0)"
          y="50"
          :width="x(row.curve.at(-1)!.min) - x(0)"
          height="18"
          :fill="`url(#beside-body-${index})`"
          class="crust"
        />
        <line
          v-for="stage in row.stages.slice(0, -1)"
          :key="stage.minutes"
          :x1="x(stage.minutes)"
          :x2="x(stage.minutes)"
          y1="6"
          y2="70"
          class="door"
        />
        <text :x="x(row.curve.at(-1)!.min) + 6" y="14" class="how">
          {{ degree(row.end.core_c) }}
        </text>
      </g>
      <text
        v-for="at in ticks"
        :key="`t${at}`"
        :x="x(at)"
        :y="rows.length * 84 + 18"
        text-anchor="middle"
        class="how"
      >
        {{ at === 0 ? t.loaded : at }}
      </text>
    </svg>
    <div class="scroll">
      <table>
        <thead>
          <tr>
            <td></td>
            <th v-for="(row, index) in rows" :key="index" scope="col">{{ name(row) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="fact in facts" :key="fact.label" :class="{ differs: fact.differs }">
            <th scope="row" class="small quiet">{{ fact.label }}</th>
            <td v-for="(value, index) in fact.values" :key="index">{{ value }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.beside {
  margin-top: 24px;
}
svg {
  display: block;
  overflow: visible;
}
.grid {
  stroke: var(--hairline);
}
.who {
  font-size: 0.9375rem;
  font-weight: 650;
  fill: var(--ink);
}
.how {
  font-size: 0.8125rem;
  fill: var(--quiet);
}
.heating {
  fill: var(--band);
}
.core {
  fill: none;
  stroke: var(--ink);
  stroke-width: 3;
}
.crust {
  stroke: var(--ink);
  stroke-width: 1.5;
}
.door {
  stroke: var(--ink);
  stroke-dasharray: 3 3;
}
.scroll {
  overflow-x: auto;
}
table {
  border-collapse: collapse;
  margin-top: 8px;
}
th,
td {
  padding: 4px 20px 4px 0;
  text-align: left;
  vertical-align: top;
  color: var(--quiet);
}
thead th {
  color: var(--ink);
  font-weight: 650;
}
.differs td {
  color: var(--ink);
  font-weight: 650;
}
</style>
