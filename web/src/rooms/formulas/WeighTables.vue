<script setup lang="ts">
import type { FormulaAnswer } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import ShareBar from './ShareBar.vue'

defineProps<{ answer: FormulaAnswer }>()
const t = words.formulas
const { mass } = useUnits()
const percent = (value: number) => (value < 0.995 ? value.toFixed(2) : value.toFixed(1))
const stageName = (kind: string) =>
  kind === 'dough' ? t.dough : kind.charAt(0).toUpperCase() + kind.slice(1)
</script>

<template>
  <div class="tables">
    <ShareBar :answer="answer" />
    <ul v-if="answer.checks.length" class="checks">
      <li v-for="check in answer.checks" :key="check.code + check.field">
        <strong>{{ check.sentence }}</strong> {{ check.remedy }}
      </li>
    </ul>
    <table v-for="stage in answer.weighed.stages" :key="stage.kind">
      <caption>
        {{
          stageName(stage.kind)
        }}
      </caption>
      <thead>
        <tr>
          <td></td>
          <th scope="col">{{ t.grams }}</th>
          <th scope="col" :title="t.overallHint">{{ t.overall }}</th>
          <th scope="col" :title="t.mixedHint">{{ t.mixed }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(line, index) in stage.lines" :key="line.kind + index">
          <th scope="row">{{ line.name }}</th>
          <td class="big">{{ mass(line.g) }}</td>
          <td :title="t.overallHint">{{ percent(line.percent) }} %</td>
          <td class="quiet" :title="t.mixedHint">{{ percent(line.mixed_percent) }} %</td>
        </tr>
      </tbody>
    </table>
    <p class="small quiet">
      {{ t.overall }}: {{ t.overallHint }}. {{ t.mixed }}: {{ t.mixedHint }}. {{ t.prefermented }}
      {{ answer.weighed.prefermented_percent }} %.
    </p>
  </div>
</template>

<style scoped>
.tables {
  display: grid;
  gap: 20px;
}
.checks li {
  padding: 2px 0 2px 10px;
  border-left: 3px solid var(--ink);
  margin-bottom: 6px;
}
table {
  width: 100%;
  border-collapse: collapse;
}
caption {
  text-align: left;
  font-weight: 650;
  padding-bottom: 2px;
}
thead th {
  font-size: 13px;
  font-weight: 400;
  color: var(--quiet);
}
th[scope='row'] {
  text-align: left;
  font-weight: 400;
}
td,
thead th {
  width: 108px;
  text-align: right;
}
thead td {
  width: auto;
}
tbody tr {
  border-top: 1px solid var(--hairline);
}
tbody td,
tbody th {
  padding: 6px 0;
}
.big {
  font-weight: 650;
}
@media (max-width: 720px) {
  td,
  thead th {
    width: 76px;
  }
}
</style>
