<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { RouterLink } from 'vue-router'
import { api, ask, type FormulaAnswer } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import ShareBar from './ShareBar.vue'

const t = words.formulas
const client = useQueryClient()
const { mass, degree } = useUnits()
const query = useQuery({ queryKey: ['formulas'], queryFn: () => ask(api.GET('/api/formulas')) })
const chosen = ref<string | null>(null)
const away = ref<FormulaAnswer | null>(null)
const all = computed(() => query.data.value?.formulas ?? [])
const shown = computed(() => all.value.find((each) => each.id === chosen.value) ?? all.value[0] ?? null)

async function putAway(answer: FormulaAnswer) {
  await ask(api.DELETE('/api/formulas/{key}', { params: { path: { key: answer.id } } }))
  away.value = answer
  chosen.value = null
  await client.invalidateQueries({ queryKey: ['formulas'] })
}

async function bringBack() {
  if (!away.value) return
  await ask(api.POST('/api/formulas/{key}/restore', { params: { path: { key: away.value.id } } }))
  chosen.value = away.value.id
  away.value = null
  await client.invalidateQueries({ queryKey: ['formulas'] })
}

const percent = (value: number) => (value < 0.995 ? value.toFixed(2) : value.toFixed(1))
const stageName = (kind: string) =>
  kind === 'dough' ? t.dough : kind.charAt(0).toUpperCase() + kind.slice(1)
</script>

<template>
  <div class="room">
    <div class="left">
      <h1>{{ t.title }}</h1>
      <p v-if="query.isPending.value" class="quiet">{{ words.loading }}</p>
      <p v-if="query.isError.value" role="alert">{{ words.failed }}</p>
      <p v-if="query.isSuccess.value && !all.length" class="quiet">{{ t.empty }}</p>
      <p v-if="away" class="small" role="status">
        {{ away.formula.name }} {{ t.gone }}
        <button type="button" class="link" @click="bringBack">{{ words.undo }}</button>
      </p>
      <ul>
        <li v-for="each in all" :key="each.id">
          <button type="button" :aria-pressed="each.id === shown?.id" @click="chosen = each.id">
            <strong>{{ each.formula.name }}</strong>
            <span class="small quiet">{{ each.formula.hydration_percent }} % water, {{ each.feel }}</span>
          </button>
        </li>
      </ul>
    </div>
    <article v-if="shown" class="see">
      <header>
        <div>
          <h2>{{ shown.formula.name }}</h2>
          <p class="quiet">{{ shown.formula.note }}</p>
        </div>
        <div class="acts">
          <RouterLink class="action" :to="{ path: '/plan', query: { formula: shown.id } }">{{
            t.planThis
          }}</RouterLink>
          <button type="button" class="link" @click="putAway(shown)">{{ t.putAway }}</button>
        </div>
      </header>
      <ShareBar :answer="shown" />
      <p>
        {{ shown.formula.pieces }} {{ t.pieces }} {{ mass(shown.formula.scaling_weight_g) }},
        {{ degree(shown.formula.dough_c) }} from the bowl. A {{ shown.feel }} dough. {{ shown.handling }}
      </p>
      <div class="scroll">
        <table v-for="stage in shown.weighed.stages" :key="stage.kind">
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
            <tr v-for="line in stage.lines" :key="line.kind">
              <th scope="row">{{ line.name }}</th>
              <td class="big">{{ mass(line.g) }}</td>
              <td>{{ percent(line.percent) }} %</td>
              <td class="quiet">{{ percent(line.mixed_percent) }} %</td>
            </tr>
          </tbody>
        </table>
      </div>
      <p class="small quiet">
        {{ t.overall }}: {{ t.overallHint }}. {{ t.mixed }}: {{ t.mixedHint }}. {{ t.prefermented }}
        {{ shown.weighed.prefermented_percent }} %.
      </p>
    </article>
  </div>
</template>

<style scoped>
.room {
  display: grid;
  grid-template-columns: 288px minmax(0, 1fr);
  min-height: calc(100vh - 56px);
}
.left {
  padding: 20px 24px 32px 28px;
  border-right: 1px solid var(--hairline);
}
h1 {
  font-size: 30px;
  margin-bottom: 8px;
}
li {
  border-bottom: 1px solid var(--hairline);
}
li button {
  display: grid;
  width: 100%;
  min-height: 56px;
  padding: 8px 0 8px 12px;
  border: 0;
  border-left: 4px solid transparent;
  background: none;
  text-align: left;
  line-height: 1.25;
  cursor: pointer;
}
li button:hover {
  border-color: var(--hairline);
}
li button[aria-pressed='true'] {
  border-color: var(--ink);
}
.see {
  display: grid;
  align-content: start;
  gap: 20px;
  max-width: 860px;
  padding: 20px 28px 40px 24px;
}
header {
  display: flex;
  justify-content: space-between;
  gap: 24px;
}
h2 {
  font-size: 30px;
}
.acts {
  display: flex;
  gap: 12px;
  align-items: start;
}
.acts .action {
  display: grid;
  place-items: center;
  text-decoration: none;
  white-space: nowrap;
}
.acts .link {
  white-space: nowrap;
}
.scroll {
  display: grid;
  gap: 20px;
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
  .room {
    display: block;
  }
  .left {
    border: 0;
    padding: 16px;
  }
  .see {
    padding: 8px 16px 24px;
  }
  header {
    display: grid;
  }
  td,
  thead th {
    width: 76px;
  }
}
</style>
