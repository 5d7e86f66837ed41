<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { words } from '../../words'

/** What was measured of a slice: its figures, and how its holes lie from top to base. */
const props = defineProps<{ read: Schemas['CrumbRead'] }>()
const t = words.slice
const percent = (share: number) => (100 * share).toFixed(share < 0.1 ? 1 : 0)
const figures = computed(() => [
  [t.share, t.shareOf({ percent: percent(props.read.holes_fraction) })],
  [t.mean, t.meanOf({ mm2: props.read.mean_cell_mm2.toFixed(1) })],
  [t.largest, t.largestOf({ mm: props.read.largest_mm.toFixed(1) })],
  [t.count, props.read.cells_per_cm2.toFixed(1)],
  [t.evenness, props.read.evenness === null ? t.fewHoles : props.read.evenness.toFixed(2)],
])
const most = computed(() => Math.max(...props.read.top_to_bottom, 0.05))
const line = computed(() => props.read.dense_line)
</script>

<template>
  <div class="figures">
    <dl>
      <div v-for="[name, value] in figures" :key="name">
        <dt class="small quiet">{{ name }}</dt>
        <dd>{{ value }}</dd>
      </div>
    </dl>
    <div class="bands">
      <p class="small quiet">{{ t.bands }}</p>
      <ol>
        <li v-for="(share, index) in read.top_to_bottom" :key="index">
          <span class="out-of-sight">{{ t.band({ place: index + 1, percent: percent(share) }) }}</span>
          <span class="small quiet end" aria-hidden="true">{{
            index === 0 ? t.top : index === 9 ? t.base : ''
          }}</span>
          <span class="bar" aria-hidden="true" :style="{ width: `${(100 * share) / most}%` }" />
        </li>
      </ol>
    </div>
    <p class="small">
      {{ line ? t.dense({ from: line.from_mm.toFixed(0), to: line.to_mm.toFixed(0) }) : t.noDense }}
    </p>
  </div>
</template>

<style scoped>
.figures {
  display: grid;
  gap: 10px;
}
dl {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(112px, 1fr));
  gap: 8px 18px;
}
dd {
  font-weight: 650;
}
ol {
  display: grid;
  gap: 3px;
  max-width: 280px;
}
li {
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr);
  align-items: center;
  min-height: 11px;
}
.end {
  line-height: 11px;
}
.bar {
  height: 11px;
  min-width: 1px;
  background: var(--ink);
}
</style>
