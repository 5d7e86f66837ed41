<script setup lang="ts">
import { computed } from 'vue'
import type { FormulaAnswer } from '../../api/client'
import { words } from '../../words'

/** What is in the bread, its allergens, and what the ingredients of a piece cost. */
const props = defineProps<{ answer: FormulaAnswer }>()
const t = words.formulas
const money = computed(() => {
  const { currency } = props.answer
  const known = /^[A-Z]{3}$/.test(currency)
  const plain = new Intl.NumberFormat('en-GB', { minimumFractionDigits: 2, maximumFractionDigits: 2 })
  const coined = known ? new Intl.NumberFormat('en-GB', { style: 'currency', currency }) : null
  return (value: number) => coined?.format(value) ?? `${plain.format(value)} ${currency}`.trim()
})
</script>

<template>
  <section class="label">
    <h3>{{ t.inside }}</h3>
    <p>{{ answer.label.text }}</p>
    <p v-if="answer.label.allergens.length">
      <strong>{{ t.allergens }}: {{ answer.label.allergens.join(', ') }}.</strong>
    </p>
    <p class="small quiet">{{ answer.label.rules }}</p>
    <p v-if="answer.cost">
      {{ t.ingredientsOf }} <strong>{{ money(answer.cost.per_piece) }}</strong>, {{ t.ofBatch }}
      {{ money(answer.cost.batch) }}.
      <span v-if="answer.cost.without.length" class="small quiet">
        {{ t.noPrice }} {{ answer.cost.without.join(', ').toLowerCase() }}.
      </span>
    </p>
  </section>
</template>

<style scoped>
.label {
  display: grid;
  gap: 6px;
  padding-top: 12px;
  border-top: 1px solid var(--ink);
}
h3 {
  font-size: 1.0625rem;
  font-weight: 650;
}
p {
  max-width: 68ch;
}
</style>
