<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { api, ask } from '../../api/client'
import { useKitchen } from '../../shell/kitchen'
import { words } from '../../words'
import WaterBench from './WaterBench.vue'

const route = useRoute()
const { settings } = useKitchen()
const query = useQuery({ queryKey: ['formulas'], queryFn: () => ask(api.GET('/api/formulas')) })
const all = computed(() => query.data.value?.formulas ?? [])
const first = computed(
  () => all.value.find((each) => each.id === route.query.formula) ?? all.value[0] ?? null,
)
const pieces = computed(() => Number(route.query.pieces) || null)
</script>

<template>
  <div>
    <p v-if="query.isPending.value || (!settings && first)" class="quiet wait">{{ words.loading }}</p>
    <p v-else-if="query.isError.value" class="wait" role="alert">{{ words.failed }}</p>
    <p v-else-if="!first" class="quiet wait">{{ words.plan.noFormulas }}</p>
    <WaterBench
      v-if="first && settings"
      :key="`${first.id} ${pieces}`"
      :first="first"
      :formulas="all"
      :pieces="pieces"
      :settings="settings"
    />
  </div>
</template>

<style scoped>
.wait {
  padding: 20px 28px;
}
</style>
