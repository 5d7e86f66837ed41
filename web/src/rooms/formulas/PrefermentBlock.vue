<script setup lang="ts">
import { computed } from 'vue'
import MassField from '../../forms/MassField.vue'
import NumberField from '../../forms/NumberField.vue'
import PickField from '../../forms/PickField.vue'
import RemoveButton from '../../forms/RemoveButton.vue'
import { words } from '../../words'
import type { Body } from './useWork'

type Preferment = Body['preferments'][number]
defineProps<{ flours: { value: string; label: string }[]; grams: number; name: string }>()
const emit = defineEmits<{ grams: [number]; remove: [] }>()
const one = defineModel<Preferment>({ required: true })
const t = words.formulas
const flour = computed({
  get: () => one.value.flour_kind,
  set: (value) => (one.value.flour_kind = value),
})
</script>

<template>
  <div class="block" role="group" :aria-label="name">
    <div class="head">
      <strong>{{ name }}</strong>
      <RemoveButton :of="name" @remove="emit('remove')" />
    </div>
    <div class="fields">
      <PickField v-model="flour" :label="t.prefermentFlour" :options="flours" />
      <NumberField v-model="one.flour_percent" :label="t.prefermentShare" unit="%" counts="share" />
      <NumberField v-model="one.hydration_percent" :label="t.prefermentWater" unit="%" counts="own" />
      <NumberField
        v-if="one.kind !== 'levain'"
        v-model="one.yeast_percent"
        :label="t.prefermentYeast"
        unit="%"
        counts="own"
        :digits="3"
      />
      <NumberField
        v-if="one.kind === 'old_dough'"
        v-model="one.salt_percent"
        :label="t.prefermentSalt"
        unit="%"
        counts="own"
      />
      <MassField
        :model-value="grams"
        :label="t.allOfIt"
        @update:model-value="(value: number) => emit('grams', value)"
      />
    </div>
  </div>
</template>

<style scoped>
.block {
  padding: 6px 0 10px 12px;
  border-left: 3px solid var(--ink);
  margin-bottom: 10px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 10px;
  align-items: end;
}
.fields > :first-child {
  width: 132px;
}
</style>
