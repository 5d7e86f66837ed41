<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../api/client'
import { words } from '../words'

/** What other plans and doughs take of hands and oven, faint, on the clock of the drawing that it stands in. */
const props = defineProps<{
  others: Schemas['OtherTakes'][]
  /** Where on the clock an instant stands, px. */
  u: (at: number) => number
  length: number
}>()
const ROW = 24
const rows = computed(() =>
  [...new Set(props.others.map((each) => each.name))].map((name, index) => {
    const own = props.others
      .filter((each) => each.name === name)
      .map((each) => ({ ...each, from: at(each.start), to: at(each.end) }))
      .filter((each) => each.to > 0 && each.from < props.length)
    const first = Math.min(...own.map((each) => each.from))
    return { name, y: index * ROW, own, words: first > 150 ? first - 8 : null }
  }),
)
function at(time: string) {
  return Math.min(Math.max(props.u(Date.parse(time)), 0), props.length)
}
const shown = computed(() => rows.value.filter((row) => row.own.length))
const last = (row: (typeof rows.value)[number]) => Math.max(...row.own.map((each) => each.to))
</script>

<template>
  <g class="others" role="img" :aria-label="words.plan.others">
    <g v-for="row in shown" :key="row.name" :transform="`translate(0 ${row.y})`">
      <line class="way" :x1="row.own[0]!.from" :x2="last(row)" y1="0" y2="0" />
      <template v-for="(each, index) in row.own" :key="index">
        <rect
          v-if="each.what === 'oven'"
          class="hot"
          :x="each.from"
          y="-6"
          :width="Math.max(each.to - each.from, 2)"
          height="12"
        />
        <circle v-else class="hands" :cx="each.from" cy="0" r="2.6" />
      </template>
      <text
        class="note"
        :x="row.words ?? last(row) + 8"
        y="5"
        :text-anchor="row.words === null ? 'start' : 'end'"
      >
        {{ row.name }}
      </text>
    </g>
  </g>
</template>

<style scoped>
.way {
  stroke: var(--quiet);
  stroke-dasharray: 1 4;
}
.hot {
  fill: var(--band);
  stroke: var(--quiet);
}
.hands {
  fill: var(--flour);
  stroke: var(--quiet);
  stroke-width: 1.4;
}
.note {
  fill: var(--quiet);
}
</style>
