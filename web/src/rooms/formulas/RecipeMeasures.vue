<script setup lang="ts">
import { ref, watch } from 'vue'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import MaybeMassField from '../../forms/MaybeMassField.vue'
import { words } from '../../words'
import type { ReadRecipe } from './useRecipe'

/** How this baker measures: said or weighed once, kept with the kitchen. */
const props = defineProps<{ recipe: ReadRecipe }>()
const t = words.paste
const { habits } = props.recipe
const cup = ref(String(habits.cup_ml))
watch(
  () => habits.cup_ml,
  (ml) => (cup.value = String(ml)),
)
watch(cup, (value) => (habits.cup_ml = Number(value)))
watch(habits, () => void props.recipe.keepMeasures())
</script>

<template>
  <div class="measures">
    <ChoiceRow
      v-model="cup"
      :legend="t.cup"
      :options="['236.6', '240', '250'].map((ml) => ({ value: ml, label: `${ml} ml` }))"
    />
    <ChoiceRow
      v-model="habits.flour!"
      :legend="t.flour"
      :options="[
        { value: 'unknown', label: t.unknown },
        { value: 'spooned', label: t.spooned },
        { value: 'scooped', label: t.scooped },
      ]"
    />
    <ChoiceRow
      v-model="habits.salt!"
      :legend="t.salt"
      :options="[
        { value: 'unknown', label: t.unknown },
        { value: 'table', label: t.table },
        { value: 'fine_sea', label: t.fineSea },
        { value: 'flaky', label: t.flaky },
      ]"
    />
    <ChoiceRow
      v-model="habits.liquid_ounces!"
      :legend="t.ounces"
      :options="[
        { value: 'ask', label: t.unknown },
        { value: 'weight', label: t.weight },
        { value: 'volume', label: t.volume },
      ]"
    />
    <div class="own">
      <MaybeMassField v-model="habits.cup_flour_g" :label="t.ownCup" :usual="125" />
      <MaybeMassField v-model="habits.teaspoon_salt_g" :label="t.ownSpoon" :usual="5.5" />
      <p class="small quiet">{{ t.ownWhy }}</p>
    </div>
  </div>
</template>

<style scoped>
.measures {
  display: grid;
  gap: 14px;
  padding: 4px 0 8px;
}
.own {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 16px;
}
.own p {
  grid-column: 1 / -1;
}
</style>
