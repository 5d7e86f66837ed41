<script setup lang="ts">
import MassField from '../../forms/MassField.vue'
import NumberField from '../../forms/NumberField.vue'
import RemoveButton from '../../forms/RemoveButton.vue'
import { words } from '../../words'

/** One line of a formula, live from both sides: its percent of all flour, and its grams in the batch. */
defineProps<{ name: string; grams: number; counts?: string; fixed?: boolean }>()
const emit = defineEmits<{ grams: [number]; remove: [] }>()
const percent = defineModel<number>({ required: true })
</script>

<template>
  <div class="line">
    <div class="what"><slot /></div>
    <NumberField
      v-model="percent"
      :label="`${name} %`"
      unit="%"
      hide-label
      :counts="counts ?? 'overall'"
      :digits="percent < 1 ? 3 : 2"
    />
    <MassField
      :model-value="grams"
      :label="words.formulas.gramsOf({ name })"
      hide-label
      @update:model-value="(value: number) => emit('grams', value)"
    />
    <RemoveButton :of="name" :disabled="fixed" @remove="emit('remove')" />
  </div>
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto 36px;
  gap: 8px;
  align-items: center;
  margin-bottom: 6px;
}
.what {
  display: flex;
  gap: 8px;
  align-items: center;
  min-width: 0;
}
.what > :deep(*) {
  flex: 1;
  min-width: 0;
}
@media (max-width: 720px) {
  .line {
    grid-template-columns: auto auto 36px;
    justify-content: start;
    padding-bottom: 6px;
    border-bottom: 1px solid var(--hairline);
  }
  .what {
    grid-column: 1 / 4;
    width: calc(100vw - 32px);
  }
}
</style>
