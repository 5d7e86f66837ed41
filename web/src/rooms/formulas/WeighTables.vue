<script setup lang="ts">
import type { FormulaAnswer } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

defineProps<{ answer: FormulaAnswer }>()
const t = words.formulas
const { mass, say } = useUnits()
const percent = (value: number) => (value < 0.995 ? value.toFixed(2) : value.toFixed(1))
const caption = (stage: FormulaAnswer['weighed']['stages'][number]) =>
  stage.kind === 'dough' ? t.dough : stage.kind === 'scald' ? `${stage.title}, ${t.scalded}` : stage.title
</script>

<template>
  <div class="tables">
    <ul v-if="answer.checks.length" class="checks">
      <li v-for="check in answer.checks" :key="check.code + check.field + check.sentence">
        <strong>{{ say(check.sentence) }}</strong> {{ say(check.remedy) }}
      </li>
    </ul>
    <p class="feel">
      {{ t.aDough({ word: answer.feel.word }) }} {{ answer.handling }}
      <template v-if="answer.by_feel">
        {{ t.feelEnds }} {{ answer.by_feel.low_percent }}–{{ answer.by_feel.high_percent }} %:
        {{ answer.by_feel.word_low }} {{ t.to }} {{ answer.by_feel.word_high }}, {{ t.upTo }}
        {{ mass(answer.by_feel.more_g) }} {{ t.moreWater }}.
      </template>
      <span class="small quiet">
        {{ t.carry }} {{ answer.feel.capacity_percent.toFixed(0) }}&nbsp;%, {{ t.protein }}
        {{ answer.protein_percent.toFixed(1) }}&nbsp;%.
      </span>
    </p>
    <table v-for="(stage, place) in answer.weighed.stages" :key="place">
      <caption>
        {{
          caption(stage)
        }}
      </caption>
      <thead>
        <tr>
          <td></td>
          <th scope="col">{{ t.weight1 }}</th>
          <th scope="col" data-counts="overall">{{ t.overall }}</th>
          <th scope="col" data-counts="mixed">{{ t.mixed }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(line, index) in stage.lines" :key="line.kind + index">
          <th scope="row">
            {{ line.name }}<span v-if="line.late" class="small quiet">, {{ t.lateWord }}</span>
          </th>
          <td class="big">{{ mass(line.g) }}</td>
          <td data-counts="overall">{{ percent(line.percent) }} %</td>
          <td class="quiet" :data-counts="stage.kind === 'dough' ? 'mixed' : 'own'">
            {{ line.mixed_percent ? `${percent(line.mixed_percent)} %` : '' }}
          </td>
        </tr>
        <tr v-if="stage.lines.length > 1" class="sum">
          <th scope="row" class="quiet">{{ t.together }}</th>
          <td>{{ mass(stage.lines.reduce((sum, line) => sum + line.g, 0)) }}</td>
          <td></td>
          <td></td>
        </tr>
      </tbody>
    </table>
    <p class="small quiet">
      {{ t.overall }}: {{ t.overallHint }}. {{ t.mixed }}: {{ t.mixedHint }}.
      <template v-if="answer.weighed.prefermented_percent">
        {{ t.prefermented }} {{ percent(answer.weighed.prefermented_percent) }} %.
      </template>
    </p>
  </div>
</template>

<style scoped>
td,
th {
  overflow-wrap: anywhere;
}
.tables {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
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
  font-size: 0.8125rem;
  font-weight: 400;
  color: var(--quiet);
}
th[scope='row'] {
  text-align: left;
  font-weight: 400;
}
td,
thead th {
  width: 96px;
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
  padding: 5px 0;
}
.big {
  font-weight: 650;
}
.sum {
  border-top-color: var(--ink);
}
@media (max-width: 720px) {
  td,
  thead th {
    width: 74px;
  }
}
</style>
