<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { api, ask } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** Quietly, on the bench: loaves that can be judged, and on their second and third day how they keep. */
const t = words.loaf
const { day } = useUnits()
const bakes = useQuery({
  queryKey: ['bakes', 'asks'],
  queryFn: () => ask(api.GET('/api/bakes/asking')),
  staleTime: 60_000,
})
const MOST = 3
const asking = computed(() => (bakes.data.value?.bakes ?? []).slice(0, MOST))
</script>

<template>
  <ul v-if="asking.length" class="asks no-print" :aria-label="t.asking">
    <li v-for="line in asking" :key="line.id">
      <RouterLink :to="`/log/${line.id}?loaf`">{{
        (line.asks === 'keeping' ? t.askKeeping : t.askLoaf)({ name: line.name, when: day(line.out) })
      }}</RouterLink>
    </li>
  </ul>
</template>

<style scoped>
.asks {
  display: grid;
  gap: 6px;
  font-size: 1.0625rem;
}
</style>
