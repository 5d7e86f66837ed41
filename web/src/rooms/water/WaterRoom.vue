<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { asLine, useFormula, useFormulas } from '../../shell/formulas'
import { useKitchen } from '../../shell/kitchen'
import { words } from '../../words'
import WaterBench from './WaterBench.vue'

const route = useRoute()
const { settings } = useKitchen()
const { query, lines, lineOf } = useFormulas()
const wanted = computed(() => (typeof route.query.formula === 'string' ? route.query.formula : null))
const one = useFormula(() =>
  wanted.value && query.isSuccess.value && !lineOf(wanted.value) ? wanted.value : null,
)
/** A formula that the list does not begin with is looked up by itself. */
const first = computed(() => {
  const found = one.data.value
  if (found && found.id === wanted.value) return asLine(found)
  return lineOf(wanted.value) ?? lines.value[0] ?? null
})
const pieces = computed(() => Number(route.query.pieces) || null)
</script>

<template>
  <div>
    <p v-if="query.isPending.value || one.isLoading.value || (!settings && first)" class="quiet wait">
      {{ words.loading }}
    </p>
    <p v-else-if="query.isError.value" class="wait" role="alert">{{ words.failed }}</p>
    <p v-else-if="!first" class="quiet wait">{{ words.plan.noFormulas }}</p>
    <WaterBench
      v-if="first && settings"
      :key="`${first.id} ${pieces}`"
      :first="first"
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
