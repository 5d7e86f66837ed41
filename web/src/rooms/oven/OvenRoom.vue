<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref, watch } from 'vue'
import { useFormulas } from '../../shell/formulas'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import KitPage from './KitPage.vue'
import OvenBench from './OvenBench.vue'
import type { Loaf } from './useOven'

const t = words.oven
const client = useQueryClient()
const { query, lines: all } = useFormulas()
const page = ref<'bake' | 'kit'>('bake')
const loaf = ref<Loaf | null>(null)
useUnits()

watch(
  all,
  (found) => {
    const first = found[0]
    if (first && !loaf.value)
      loaf.value = {
        formula_id: first.id,
        pieces: first.pieces,
        piece_g: first.scaling_weight_g,
        cold: true,
        wish: 'usual',
      }
  },
  { immediate: true },
)
/** The kit has changed: what was ranked with the old one is asked for anew. */
function closeKit() {
  page.value = 'bake'
  void client.invalidateQueries({ queryKey: ['oven'] })
  if (loaf.value) loaf.value = { ...loaf.value }
}
</script>

<template>
  <div class="room">
    <p v-if="query.isPending.value" class="quiet wait">{{ words.loading }}</p>
    <p v-else-if="query.isError.value" class="wait" role="alert">{{ words.failed }}</p>
    <p v-else-if="!loaf" class="quiet wait">{{ words.plan.noFormulas }}</p>
    <div v-else-if="page === 'kit'" class="wait">
      <h1>{{ t.title }}</h1>
      <KitPage @close="closeKit" />
    </div>
    <OvenBench v-else v-model="loaf" @kit="page = 'kit'" />
  </div>
</template>

<style scoped>
.wait {
  padding: 20px 28px;
}
</style>
