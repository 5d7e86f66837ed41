<script setup lang="ts">
import { ref } from 'vue'
import MassField from '../../forms/MassField.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import DeskFrame from './DeskFrame.vue'
import type { CultureView, EventBody } from './useCulture'

/** Some of a culture taken for a dough, or dried as a backup; and dried flakes woken. */
const props = defineProps<{ culture: CultureView }>()
const emit = defineEmits<{ log: [EventBody]; close: [] }>()
const t = words.cultures
const { mass, say } = useUnits()
const taken = ref(Math.min(Math.round(props.culture.life?.grams ?? 50), 50))
const dried = ref(40)
const flakes = ref(10)
</script>

<template>
  <DeskFrame :title="t.takeTitle" @close="emit('close')">
    <form class="line" novalidate @submit.prevent="emit('log', { kind: 'taken', g: taken })">
      <MassField v-model="taken" :label="t.takenG" />
      <ElButton native-type="submit" class="action">{{ t.logTaken }}</ElButton>
      <span class="quiet">{{ t.holds({ mass: mass(culture.life?.grams ?? 0) }) }}</span>
    </form>
    <h3>{{ t.backupTitle }}</h3>
    <ol class="steps">
      <li v-for="step in t.backupSteps" :key="step">{{ say(step) }}</li>
    </ol>
    <form class="line" novalidate @submit.prevent="emit('log', { kind: 'dried', g: dried })">
      <MassField v-model="dried" :label="t.driedG" />
      <ElButton native-type="submit" class="plain">{{ t.logDried }}</ElButton>
    </form>
    <h3>{{ t.wakeTitle }}</h3>
    <ol class="steps">
      <li v-for="step in t.wakeSteps" :key="step">{{ say(step) }}</li>
    </ol>
    <form
      class="line"
      novalidate
      @submit.prevent="
        emit('log', {
          kind: 'woken',
          seed_g: flakes,
          flour_g: flakes * 2,
          water_g: flakes * 2.5,
          culture_c: 26,
        })
      "
    >
      <MassField v-model="flakes" :label="t.flakesG" />
      <ElButton native-type="submit" class="plain">{{ t.logWoken }}</ElButton>
      <span class="quiet">{{ t.wokenWith({ flour: mass(flakes * 2), water: mass(flakes * 2.5) }) }}</span>
    </form>
  </DeskFrame>
</template>

<style scoped>
form span {
  align-self: center;
}
.steps {
  display: grid;
  gap: 2px;
  max-width: 68ch;
  padding-left: 20px;
  list-style: decimal;
}
</style>
