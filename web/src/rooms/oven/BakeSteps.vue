<script setup lang="ts">
import { computed } from 'vue'
import { limits } from '../../api/limits'
import MaybeWarmthField from '../../forms/MaybeWarmthField.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import type { Baked } from './useOven'

/** What to do when, with each caution at its stage; then the loads, and when to cut. */
const props = defineProps<{ bake: Baked; quieted: boolean; paper: number | null }>()
const emit = defineEmits<{ quiet: []; paper: [number | null] }>()
const t = words.oven
const { say, warmth } = useUnits()
const minute = (value: number) => (value < 0 ? `−${Math.round(-value)}` : String(Math.round(value)))
const hours = (minutes: number) => (minutes >= 120 ? `${Math.round(minutes / 60)} h` : `${minutes} min`)
const warned = computed(() => props.bake.hazards.filter((hazard) => hazard.weight === 'caution'))
const cautions = computed(() => props.bake.touches.some((touch) => touch.cautions.length))
/** A hazard is said here unless the same words stand at a step already. */
const own = computed(() => {
  const stand = new Set(props.bake.touches.flatMap((touch) => touch.cautions.map((caution) => caution.text)))
  return warned.value.filter((hazard) => !stand.has(hazard.text))
})
</script>

<template>
  <div>
    <h2>{{ t.steps }}</h2>
    <ol class="steps">
      <li v-for="(touch, index) in bake.touches" :key="index">
        <span class="at clock">{{ minute(touch.minute) }}</span>
        <div>
          <strong>{{ say(touch.title) }}</strong>
          <p class="small">{{ say(touch.text) }}</p>
          <template v-if="!quieted">
            <p v-for="caution in touch.cautions" :key="caution.code" class="small caution">
              {{ caution.text }}
            </p>
          </template>
        </div>
      </li>
      <li>
        <span class="at clock">+{{ bake.cool_min >= 120 ? '' : bake.cool_min }}</span>
        <div>
          <strong>{{ t.cut({ time: hours(bake.cool_min) }) }}</strong>
          <p class="small">{{ bake.cutting }}</p>
        </div>
      </li>
    </ol>
    <template v-if="!quieted">
      <template v-for="hazard in own" :key="hazard.code">
        <p class="small caution">{{ say(hazard.text) }}</p>
        <MaybeWarmthField
          v-if="hazard.code === 'paper'"
          class="no-print"
          :model-value="paper"
          :label="t.otherPaper"
          v-bind="limits.PAPER_C"
          @update:model-value="(value: number | null | undefined) => emit('paper', value ?? null)"
        />
      </template>
      <p v-if="paper != null && !own.some(({ code }) => code === 'paper')" class="small no-print">
        {{ t.paperBears({ c: warmth(paper) }) }}
        <ElButton class="link" @click="emit('paper', null)">{{ t.usualPaper }}</ElButton>
      </p>
      <p v-if="cautions" class="small first">{{ bake.first }}</p>
    </template>
    <ElButton v-if="cautions && !quieted" class="link small no-print" @click="emit('quiet')">
      {{ t.know }}
    </ElButton>
    <section v-if="bake.loads.length > 1" class="loads">
      <h2>{{ t.loads({ count: bake.loads.length }) }}</h2>
      <ol>
        <li v-for="load in bake.loads" :key="load.number" class="small">
          <strong>{{
            t.load({ number: load.number, pieces: load.pieces, from: load.in_min, to: load.out_min })
          }}</strong>
          <p v-if="load.waits" class="quiet">{{ load.waits }}</p>
        </li>
      </ol>
    </section>
  </div>
</template>

<style scoped>
.steps li {
  display: grid;
  grid-template-columns: 44px 1fr;
  gap: 8px;
  padding: 7px 0;
  border-bottom: 1px solid var(--hairline);
}
.at {
  font-size: 1.0625rem;
  text-align: right;
}
.caution {
  margin-top: 4px;
  padding-left: 8px;
  border-left: 3px solid var(--ink);
}
.first {
  margin-top: 8px;
  font-weight: 600;
}
.loads {
  margin-top: 20px;
}
.loads li {
  padding: 6px 0;
}
</style>
