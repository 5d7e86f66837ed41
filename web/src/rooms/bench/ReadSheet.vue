<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import MaybeField from '../../forms/MaybeField.vue'
import ReadingFields from '../../forms/ReadingFields.vue'
import type { BenchDough } from '../../shell/bench'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import SheetFrame from './SheetFrame.vue'

/** A reading of the dough: its rise by eye, line or jar, or its temperature; in the oven, the core or the oven itself. */
const props = defineProps<{ dough: BenchDough }>()
const emit = defineEmits<{ close: []; read: [Record<string, unknown>] }>()
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
function keep() {
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
      <ReadingFields v-else ref="fields" :measures="MEASURES" :start="start" />
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
