<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { limits } from '../../api/limits'
import MaybeField from '../../forms/MaybeField.vue'
import MaybeWarmthField from '../../forms/MaybeWarmthField.vue'
import { words } from '../../words'
import type { Loaf } from './useOven'

/** A fired oven as it was measured: until floor and dome are known it is taken as fired for the loaf. */
const model = defineModel<Loaf['fired']>()
const t = words.oven
const floor = ref<number | null>(model.value?.floor_c ?? null)
const dome = ref<number | null>(model.value?.dome_c ?? null)
const soaked = ref<number | null>(model.value?.soaked_min ?? null)
const found = computed(() =>
  floor.value == null || dome.value == null
    ? null
    : { floor_c: floor.value, dome_c: dome.value, soaked_min: soaked.value ?? 30 },
)
watch(found, (value) => (model.value = value))
</script>

<template>
  <fieldset class="fire">
    <legend>{{ t.firedTitle }}</legend>
    <p class="small quiet">{{ t.firedLead }}</p>
    <div class="fields">
      <MaybeWarmthField v-model="floor" :label="t.floorC" v-bind="limits.FIRED_C" />
      <MaybeWarmthField v-model="dome" :label="t.domeC" v-bind="limits.FIRED_C" />
      <MaybeField v-model="soaked" :label="t.soakedMin" unit="min" :usual="30" :digits="0" />
    </div>
  </fieldset>
</template>

<style scoped>
.fire {
  display: grid;
  gap: 6px;
  border: 0;
}
legend {
  font-weight: 650;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
}
</style>
