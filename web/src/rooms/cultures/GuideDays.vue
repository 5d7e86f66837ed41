<script setup lang="ts">
import type { Schemas } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** A culture begun from flour and water: where it stands, what that means, and the days before and after. */
defineProps<{ guide: Schemas['Guide']; next: string | null }>()
const t = words.cultures
const { say, dayClock } = useUnits()
</script>

<template>
  <div class="guide">
    <p>{{ say(guide.means) }}</p>
    <p v-if="next" class="next">
      {{ t.guideNext }} <strong class="clock">{{ dayClock(next) }}</strong>.
      {{ t.guideDoublings({ count: guide.doublings }) }}
    </p>
    <ol>
      <li v-for="day in guide.days" :key="day.number" :class="{ today: day.number === guide.day }">
        <span class="number clock">{{ day.number }}</span>
        <span :class="{ quiet: day.number > guide.day }">
          {{ day.usual }} <strong v-if="day.read">{{ t.yours }} {{ day.read }}.</strong>
        </span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.guide {
  display: grid;
  gap: 10px;
  align-self: start;
}
p {
  max-width: 68ch;
}
li {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr);
  gap: 10px;
  padding: 6px 10px;
  border-left: 4px solid transparent;
  border-top: 1px solid var(--hairline);
  line-height: 1.35;
}
.today {
  border-left-color: var(--ink);
  background: var(--paper);
}
</style>
