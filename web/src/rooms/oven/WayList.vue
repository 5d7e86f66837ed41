<script setup lang="ts">
import { computed, ref } from 'vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import type { Chosen, Way } from './useOven'

/** Ways to bake, the best first: what they are, how well they serve the wish, why; the unfit with why not. */
const props = defineProps<{
  ways: Way[]
  chosen: Chosen | null
  beside: string[]
  keyOf: (way: Chosen | Way) => string
}>()
const emit = defineEmits<{ choose: [Way]; beside: [Way] }>()
const t = words.oven
const { say } = useUnits()
const FEW = 5
const all = ref(false)
const fit = computed(() => props.ways.filter((way) => !way.unfit))
const unfit = computed(() => props.ways.filter((way) => way.unfit))
const shown = computed(() => (all.value ? fit.value : fit.value.slice(0, FEW)))
const how = (way: Way) => {
  const steam = way.steam_names.map((name) => name.toLowerCase()).join(', ')
  if (way.preheated === 'whole') return steam || (way.steam.length ? '' : t.hot)
  return steam || t.cold
}
/** The two criteria that say most about a way: what it does best and what it does worst. */
const why = (way: Way) => {
  const sorted = [...way.points].sort((a, b) => b.score - a.score)
  const best = sorted[0]
  const worst = sorted.at(-1)
  return [best, worst].filter((point) => point && point.why).map((point) => say(point!.why))
}
const isChosen = (way: Way) => props.chosen !== null && props.keyOf(way) === props.keyOf(props.chosen)
</script>

<template>
  <div>
    <ol class="ways">
      <li v-for="way in shown" :key="way.key" :class="{ on: isChosen(way) }">
        <button type="button" class="way" :aria-pressed="isChosen(way)" @click="emit('choose', way)">
          <span class="top">
            <strong>{{ way.vessel }}</strong>
            <span class="score">{{ Math.round(way.score) }}</span>
          </span>
          <span class="small quiet">{{ how(way) }} · {{ t.inAll({ min: way.all_min }) }}</span>
          <span class="bar" aria-hidden="true"><span :style="{ width: `${way.score}%` }" /></span>
          <span v-if="isChosen(way)" class="small why">{{ why(way).join('; ') }}.</span>
        </button>
        <ElButton
          v-if="!isChosen(way)"
          class="link small beside"
          :aria-pressed="beside.includes(way.key)"
          :aria-label="`${beside.includes(way.key) ? t.notBeside : t.beside}: ${way.vessel}, ${how(way)}`"
          @click="emit('beside', way)"
        >
          {{ beside.includes(way.key) ? t.notBeside : t.beside }}
        </ElButton>
      </li>
    </ol>
    <ElButton v-if="fit.length > FEW" class="link small" @click="all = !all">
      {{ all ? t.fewer : t.allWays({ count: fit.length }) }}
    </ElButton>
    <ul v-if="unfit.length" class="unfit small quiet">
      <li v-for="way in unfit" :key="way.key">
        <s>{{ way.vessel }}</s> {{ say(way.unfit) }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
.ways li {
  border-bottom: 1px solid var(--hairline);
}
.way {
  display: grid;
  width: 100%;
  gap: 2px;
  min-height: 56px;
  padding: 8px 0 8px 10px;
  border: 0;
  border-left: 3px solid transparent;
  background: none;
  text-align: left;
  cursor: pointer;
}
.on .way {
  border-left-color: var(--ink);
}
.way:hover strong {
  text-decoration: underline;
  text-underline-offset: 4px;
}
.top {
  display: flex;
  justify-content: space-between;
  gap: 8px;
}
.score {
  font-family: var(--show);
  font-weight: 650;
}
.bar {
  display: block;
  height: 4px;
  background: var(--hairline);
}
.bar span {
  display: block;
  height: 100%;
  background: var(--ink);
}
.why {
  margin-top: 4px;
}
.beside {
  display: block;
  margin: -6px 0 2px 6px;
}
.unfit {
  margin-top: 12px;
}
.unfit li {
  padding: 4px 0;
}
</style>
