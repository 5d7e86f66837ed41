<script setup lang="ts">
import { computed, ref, useId } from 'vue'
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
const emit = defineEmits<{ choose: [Way]; beside: [string[]] }>()
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
const id = useId()
const MOST_BESIDE = 3
const others = computed(() => fit.value.filter((way) => !isChosen(way)))
const isChosen = (way: Way) => props.chosen !== null && props.keyOf(way) === props.keyOf(props.chosen)
</script>

<template>
  <div>
    <ol class="ways">
      <li v-for="way in shown" :key="way.key" :class="{ on: isChosen(way) }">
        <ElButton class="way" text :aria-pressed="isChosen(way)" @click="emit('choose', way)">
          <span class="top">
            <strong>{{ way.vessel }}</strong>
            <span class="small">{{ way.serves ? t.serves[way.serves] : '' }}</span>
          </span>
          <span class="small quiet">{{ how(way) }} · {{ t.inAll({ min: way.all_min }) }}</span>
          <span v-if="isChosen(way)" class="small why">{{ why(way).join('; ') }}.</span>
        </ElButton>
      </li>
    </ol>
    <ElButton v-if="fit.length > FEW" class="link small" @click="all = !all">
      {{ all ? t.fewer : t.allWays({ count: fit.length }) }}
    </ElButton>
    <div v-if="fit.length > 1" class="beside">
      <label class="small quiet" :for="id">{{ t.beside }}</label>
      <ElSelect
        :persistent="false"
        :id="id"
        :model-value="beside"
        multiple
        :multiple-limit="MOST_BESIDE"
        :placeholder="t.besideNone"
        :aria-label="t.beside"
        @update:model-value="(keys: string[]) => emit('beside', keys)"
      >
        <ElOption
          v-for="way in others"
          :key="way.key"
          :value="way.key"
          :label="`${way.vessel}, ${how(way)}`"
        />
      </ElSelect>
    </div>
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
  width: 100%;
  height: auto;
  min-height: 56px;
  margin: 0;
  padding: 8px 0 8px 10px;
  border: 0;
  border-left: 3px solid transparent;
  background: none;
  text-align: left;
  white-space: normal;
}
.way :deep(> span) {
  display: grid;
  width: 100%;
  gap: 2px;
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
.way .small {
  font-weight: 400;
}
.why {
  margin-top: 4px;
}
.beside {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  margin-top: 10px;
}
.unfit {
  margin-top: 12px;
}
.unfit li {
  padding: 4px 0;
}
</style>
