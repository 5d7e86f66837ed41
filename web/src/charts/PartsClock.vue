<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Plan } from '../api/client'
import { useUnits } from '../shell/units'
import { words } from '../words'
import ClockStrip from './ClockStrip.vue'
import { useWidth } from './useSize'

/** The ways that the pieces of one dough go, one under the other on one clock, from where they part to the oven. */
const props = defineProps<{ plan: Plan }>()
const t = words.plan
const { dayClock } = useUnits()
const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 900)
const HIGH = 48
const NAMES = 178

const narrow = computed(() => width.value < 640)
const length = computed(() => Math.max(narrow.value ? width.value : width.value - NAMES, 120))
const span = computed(() => {
  const starts = props.plan.outs.flatMap((out) =>
    out.ribbon.slice(0, 1).map((part) => Date.parse(part.points[0]!.at)),
  )
  return { start: Math.min(...starts), end: Math.max(...props.plan.outs.map((out) => Date.parse(out.out))) }
})
const most = computed(() => {
  const rises = props.plan.outs.flatMap((out) =>
    out.ribbon.flatMap((part) => part.points.map((point) => point.rise)),
  )
  return 1 + Math.max(0.5, ...rises)
})
const drawn = computed(() => props.plan.outs.some((out) => out.ribbon.length))
</script>

<template>
  <section ref="host" class="parts-clock" :class="{ narrow }" :aria-label="t.waysOfPieces">
    <ul>
      <li v-for="(out, row) in plan.outs" :key="out.name">
        <span class="name">
          <strong>{{ out.name }}</strong>
          <span>{{ t.says.partOut({ pieces: out.pieces, when: dayClock(out.out) }) }}</span>
        </span>
        <ClockStrip
          v-if="drawn"
          :parts="out.ribbon"
          :nights="plan.ribbon.nights"
          :bake="out.load ? { start: out.load, end: out.out } : null"
          :span="span"
          :length="length"
          :high="HIGH"
          :most="most"
          :named="row === 0"
        />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.parts-clock {
  min-width: 0;
  overflow: hidden;
}
li {
  display: grid;
  grid-template-columns: 166px auto;
  gap: 12px;
  align-items: center;
  padding: 4px 0;
}
li:first-child {
  padding-top: 18px;
}
.narrow li {
  grid-template-columns: 1fr;
  gap: 2px;
}
.name {
  display: grid;
  line-height: 1.25;
}
</style>
