<script setup lang="ts">
import { computed } from 'vue'
import type { Plan } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

const props = defineProps<{ plan: Plan }>()
const { mass, massNumber, massUnit, dayClock, say } = useUnits()
const t = words.plan
const overall = computed(() => {
  const { overall_hydration_percent: water, overall_salt_percent: salt } = props.plan.totals
  return t.says.totals({ water: `${water.toFixed(1)} %`, salt: `${salt.toFixed(1)} %` })
})
const mixed = computed(() => {
  const { mixed_hydration_percent: water, mixed_salt_percent: salt } = props.plan.totals
  return t.says.mixed({ water: `${water.toFixed(0)} %`, salt: `${salt.toFixed(1)} %` })
})
</script>

<template>
  <section class="weigh" :aria-label="t.weigh">
    <h2>{{ t.weigh }}</h2>
    <div v-for="(stage, place) in plan.weigh" :key="place" class="stage">
      <h3>
        <span>{{ stage.title }}</span>
        <span class="small quiet">{{ dayClock(stage.at) }}</span>
      </h3>
      <dl>
        <div v-for="(line, index) in stage.lines" :key="index">
          <dt>
            {{ line.name }}<span v-if="line.note" class="quiet">, {{ say(line.note) }}</span>
          </dt>
          <dd>
            <strong>{{ massNumber(line.g) }}</strong> <span class="unit">{{ massUnit }}</span>
          </dd>
        </div>
        <div class="sum">
          <dt class="out-of-sight">{{ t.together }}</dt>
          <dd>
            <strong>{{ massNumber(stage.g) }}</strong> <span class="unit">{{ massUnit }}</span>
          </dd>
        </div>
      </dl>
    </div>
    <p v-if="plan.by_feel" class="small feel">
      {{ t.feelEnds }} {{ mass(plan.by_feel.more_g) }} {{ t.feelEnd }} {{ plan.by_feel.low_percent }}–{{
        plan.by_feel.high_percent
      }}
      %, {{ mass(plan.by_feel.dough_low_g) }} {{ plan.by_feel.word_low }} –
      {{ mass(plan.by_feel.dough_high_g) }} {{ plan.by_feel.word_high }}.
    </p>
    <p class="small quiet">
      <span data-counts="hydration">{{ overall }}</span>{{
        plan.totals.prefermented_percent ? t.says.counted : ''
      }}.
      <span v-if="plan.totals.prefermented_percent" data-counts="mixed">{{ mixed }}</span>
      {{ t.says.feel({ word: plan.feel.word, handling: plan.feel.handling }) }}
    </p>
  </section>
</template>

<style scoped>
.feel {
  padding-left: 10px;
  border-left: 3px solid var(--ink);
  margin-bottom: 6px;
}
.stage {
  margin: 10px 0 14px;
}
h3 {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  font-size: 1.0625rem;
  font-weight: 650;
  padding-bottom: 2px;
}
dl > div {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 8px;
  padding: 1px 0;
}
dd {
  white-space: nowrap;
}
dd strong {
  font-family: var(--show);
  font-weight: 650;
}
.unit {
  display: inline-block;
  width: 1.2em;
}
.sum {
  border-top: 1px solid var(--hairline);
  margin-top: 3px;
}
.sum strong {
  font-weight: 400;
}
.sum dd {
  grid-column: 2;
}
</style>
