<script setup lang="ts">
import type { Plan } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** The part of a split batch that is baked on another day. */
defineProps<{ later: NonNullable<Plan['later']> }>()
const t = words.later
const { clock, day, dayClock } = useUnits()
</script>

<template>
  <section class="later">
    <h3>{{ t.title({ pieces: later.pieces, day: day(later.load) }) }}</h3>
    <p>{{ later.sentence }}</p>
    <ol>
      <li>
        <span class="clock">{{ dayClock(later.chill) }}</span> {{ t.chill }}
      </li>
      <li v-if="later.warm_min">
        <span class="clock">{{ clock(later.out_of_fridge) }}</span>
        {{ t.warm({ min: later.warm_min }) }}
      </li>
      <li>
        <span class="clock">{{ clock(later.preheat) }}</span> {{ t.preheat }}
      </li>
      <li>
        <span class="clock">{{ clock(later.load) }}</span> {{ t.load }}
      </li>
      <li>
        <span class="clock">{{ clock(later.out) }}</span> {{ t.out }}
      </li>
    </ol>
  </section>
</template>

<style scoped>
.later {
  display: grid;
  gap: 6px;
  padding: 12px 0;
  border-top: 1px solid var(--ink);
}
h3 {
  font-size: 1.0625rem;
  font-weight: 650;
}
li {
  display: grid;
  grid-template-columns: 104px 1fr;
  padding: 4px 0;
}
</style>
