<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import { api, ask } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import KitPage from './KitPage.vue'
import OvenBench from './OvenBench.vue'
import type { Loaf } from './useOven'

const t = words.oven
const client = useQueryClient()
const query = useQuery({ queryKey: ['formulas'], queryFn: () => ask(api.GET('/api/formulas')) })
const all = computed(() => query.data.value?.formulas ?? [])
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
        pieces: first.formula.pieces,
        piece_g: first.formula.scaling_weight_g,
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
    <OvenBench v-else v-model="loaf" :formulas="all" @kit="page = 'kit'" />
  </div>
</template>

<style scoped>
.wait {
  padding: 20px 28px;
}
</style>
