<script setup lang="ts">
import type { Plan } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** What is weighed, each lot in one line beside its time: seen without scrolling, under the ribbon. */
defineProps<{ plan: Plan }>()
const { mass, dayClock, say } = useUnits()
const t = words.plan
</script>

<template>
  <ol class="lots" :aria-label="t.weighedFirst">
    <li v-for="(lot, place) in plan.weigh" :key="place">
      <span class="when">{{ dayClock(lot.at) }}</span>
      <span>
        <strong>{{ lot.title }}</strong>
        <span v-for="(line, index) in lot.lines" :key="index" class="line">
          <span class="figure">{{ mass(line.g) }}</span> {{ line.name
          }}<span v-if="line.note" class="quiet">, {{ say(line.note) }}</span>
        </span>
      </span>
    </li>
  </ol>
</template>

<style scoped>
.lots {
  display: grid;
  gap: 4px;
  line-height: 1.4;
}
li {
  display: grid;
  grid-template-columns: 92px minmax(0, 1fr);
  gap: 12px;
}
.when {
  font-weight: 600;
}
.line {
  display: inline-block;
  margin-left: 14px;
}
.figure {
  font-weight: 650;
}
@media (max-width: 720px) {
  li {
    grid-template-columns: minmax(0, 1fr);
    gap: 0;
  }
  .line {
    margin: 0 14px 0 0;
  }
  strong {
    display: block;
  }
}
</style>
