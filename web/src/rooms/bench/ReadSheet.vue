<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import MaybeField from '../../forms/MaybeField.vue'
import MaybeMassField from '../../forms/MaybeMassField.vue'
import ReadingFields from '../../forms/ReadingFields.vue'
import type { BenchDough } from '../../shell/bench'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import SheetFrame from './SheetFrame.vue'

/** A reading of the dough: its rise by eye, line or jar, or its temperature; in the oven, the core or the oven itself. */
const props = defineProps<{ dough: BenchDough }>()
const emit = defineEmits<{ close: []; read: [Record<string, unknown>]; water: [number] }>()
const MEASURES: Schemas['ReadingBody']['measure'][] = ['percent', 'line_ml', 'heights_mm', 'celsius']
const fields = ref<{ read: () => Record<string, unknown> } | null>(null)
const { fahrenheit, fromDegrees } = useUnits()
const baking = computed(() => props.dough.standing.stage === 'baked')
const what = ref<'core' | 'oven'>('core')
const shows = ref<number | null>(null)
const options = [
  { value: 'core' as const, label: words.oven.coreNow },
  { value: 'oven' as const, label: words.oven.title },
]
/** Of a dough that is not baking: how it stands, or what water it took beyond its recipe. */
const about = ref<'dough' | 'water'>('dough')
const abouts = (['dough', 'water'] as const).map((value) => ({ value, label: words.bench.abouts[value]! }))
const way = ref<'more' | 'less'>('more')
const ways = (['more', 'less'] as const).map((value) => ({ value, label: words.bench.waters[value]! }))
const grams = ref<number | null>(null)
function keep() {
  if (!baking.value && about.value === 'water') {
    if (grams.value) emit('water', way.value === 'more' ? grams.value : -grams.value)
    return
  }
  if (!baking.value) return fields.value && emit('read', fields.value.read())
  if (shows.value != null)
    emit('read', { measure: what.value, value: Math.round(fromDegrees(shows.value) * 10) / 10 })
}
const start = {
  percent: Math.round(100 * (props.dough.standing.rise ?? 0.3)),
  line: 2,
  first: 30,
  height: 45,
}
</script>

<template>
  <SheetFrame :title="words.bench.read" :lead="dough.name" @close="emit('close')">
    <form class="form" @submit.prevent="keep">
      <template v-if="baking">
        <ChoiceRow v-model="what" :legend="words.bench.read" :options="options" />
        <MaybeField v-model="shows" :label="words.oven.reads" :unit="fahrenheit ? '°F' : '°C'" />
      </template>
      <template v-else>
        <ChoiceRow v-model="about" :legend="words.bench.read" :options="abouts" />
        <ReadingFields v-if="about === 'dough'" ref="fields" :measures="MEASURES" :start="start" />
        <template v-else>
          <ChoiceRow v-model="way" :legend="words.bench.waterHint" :options="ways" />
          <MaybeMassField v-model="grams" :label="words.bench.waterG" />
        </template>
      </template>
      <ElButton native-type="submit" class="action">{{ words.bench.keep }}</ElButton>
    </form>
  </SheetFrame>
</template>

<style scoped>
.form {
  display: grid;
  gap: 16px;
  max-width: 520px;
  font-size: 1.1875rem;
}
.action {
  min-height: 60px;
  font-size: 1.25rem;
}
</style>
