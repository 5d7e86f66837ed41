<script setup lang="ts">
import { RouterLink } from 'vue-router'
import type { FormulaAnswer } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import LabelNote from './LabelNote.vue'
import MethodView from './MethodView.vue'
import ShareBar from './ShareBar.vue'
import VersionList from './VersionList.vue'
import WeighTables from './WeighTables.vue'
import InTurn from '../../shell/InTurn.vue'

defineProps<{ shown: FormulaAnswer }>()
const emit = defineEmits<{ edit: []; swap: []; away: [] }>()
const t = words.formulas
const { mass, degree } = useUnits()
</script>

<template>
  <article class="see">
    <header>
      <div>
        <h2>{{ shown.formula.name }}</h2>
        <p class="quiet">{{ shown.formula.note }}</p>
      </div>
      <div class="acts">
        <RouterLink class="action" :to="{ path: '/plan', query: { formula: shown.id } }">{{
          t.planThis
        }}</RouterLink>
        <RouterLink class="plain" :to="{ path: '/water', query: { formula: shown.id } }">{{
          t.itsWater
        }}</RouterLink>
        <RouterLink class="plain" :to="`/log/formula/${shown.id}`">{{ words.log.historyOf }}</RouterLink>
        <ElButton class="plain" @click="emit('edit')">{{ t.edit }}</ElButton>
        <ElButton class="plain" @click="emit('swap')">
          {{ shown.leaven === 'levain' ? t.withYeast : t.withCulture }}
        </ElButton>
        <ElButton class="link" @click="emit('away')">{{ t.putAway }}</ElButton>
      </div>
    </header>
    <p>
      {{ shown.formula.pieces }} {{ t.pieces }} {{ mass(shown.formula.scaling_weight_g) }},
      {{ degree(shown.formula.dough_c) }} {{ t.fromBowl }}
    </p>
    <InTurn>
      <ShareBar :answer="shown" />
    </InTurn>
    <InTurn>
      <MethodView :formula="shown.formula" />
    </InTurn>
    <InTurn>
      <WeighTables :answer="shown" />
    </InTurn>
    <InTurn>
      <LabelNote :answer="shown" />
    </InTurn>
    <InTurn>
      <p class="files no-print">
        <span class="small quiet">{{ t.takeOut }}</span>
        <a
          v-for="(label, form) in t.files"
          :key="form"
          :href="`/api/formulas/${shown.id}/file/${form}`"
          download
          >{{ label }}</a
        >
      </p>
    </InTurn>
    <InTurn>
      <VersionList :id="shown.id" :key="shown.id" class="no-print" />
    </InTurn>
  </article>
</template>

<style scoped>
.see {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  gap: 20px;
  max-width: 860px;
  padding: 20px 28px 40px 24px;
}
header {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 16px 24px;
}
h2 {
  font-size: 1.875rem;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: start;
}
.acts a {
  display: grid;
  place-items: center;
  text-decoration: none;
}
.acts > * {
  min-height: 48px;
  white-space: nowrap;
}
.files {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: baseline;
}
@media (max-width: 720px) {
  .see {
    padding: 8px 16px 24px;
  }
  header {
    display: grid;
    grid-template-columns: minmax(0, 1fr);
  }
  .acts > * {
    white-space: normal;
  }
}
</style>
