<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { api, ask } from '../../api/client'
import MassField from '../../forms/MassField.vue'
import NumberField from '../../forms/NumberField.vue'
import TickField from '../../forms/TickField.vue'
import type { FormulaLine } from '../../shell/formulas'
import { useNewest } from '../../shell/newest'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** Several formulas on one day: one sum to fetch and weigh, and one build of each levain. */
const props = defineProps<{ formulas: FormulaLine[] }>()
const t = words.together
const { mass } = useUnits()
const taken = reactive(new Map<string, number>())
const kept = ref(40)
const ratio = ref(3)
const {
  answer: sum,
  refused,
  pending,
} = useNewest(
  () =>
    taken.size
      ? {
          batches: [...taken].map(([formula_id, pieces]) => ({ formula_id, pieces })),
          kept_g: kept.value,
          ratio: ratio.value,
        }
      : null,
  (body) => ask(api.POST('/api/formulas/together', { body })),
)
const problem = computed(() => refused.value?.message ?? '')
function take(each: FormulaLine, on: boolean) {
  if (on) taken.set(each.id, each.pieces)
  else taken.delete(each.id)
}
const first = props.formulas.filter((each) => each.leaven === 'levain').slice(0, 2)
for (const each of first) take(each, true)
const most = computed(() => sum.value?.ingredients[0]?.g ?? 1)
</script>

<template>
  <div class="together">
    <div class="pick">
      <h2>{{ t.title }}</h2>
      <p class="quiet">{{ t.lead }}</p>
      <ul>
        <li v-for="each in formulas" :key="each.id">
          <TickField
            :model-value="taken.has(each.id)"
            :label="each.name"
            @update:model-value="(on: boolean) => take(each, on)"
          />
          <NumberField
            v-if="taken.has(each.id)"
            :model-value="taken.get(each.id)!"
            :label="`${words.formulas.piecesLabel}: ${each.name}`"
            :unit="`× ${mass(each.scaling_weight_g)}`"
            hide-label
            @update:model-value="(value: number) => taken.set(each.id, Math.round(value))"
          />
        </li>
      </ul>
      <div v-if="sum?.levains.length" class="pair">
        <MassField v-model="kept" :label="t.kept" />
        <NumberField v-model="ratio" :label="t.ratio" />
      </div>
    </div>
    <div class="sum" :class="{ awaited: pending }" aria-live="polite">
      <p v-if="problem" class="inverted error" role="alert">{{ problem }}</p>
      <p v-if="!sum" class="quiet">{{ t.nothing }}</p>
      <template v-else>
        <p class="big clock">{{ sum.pieces }} {{ t.pieces }} {{ mass(sum.dough_g) }} {{ t.ofDough }}</p>
        <section v-for="levain in sum.levains" :key="levain.flour + levain.hydration_percent" class="levain">
          <h3>
            {{ t.levain }}, {{ levain.flour.toLowerCase() }}, {{ levain.hydration_percent }} % {{ t.water }}
          </h3>
          <dl>
            <div>
              <dt>{{ t.seed }}</dt>
              <dd>{{ mass(levain.build.seed_g) }}</dd>
            </div>
            <div>
              <dt>{{ levain.flour }}</dt>
              <dd>{{ mass(levain.build.flour_g) }}</dd>
            </div>
            <div>
              <dt>{{ t.waterName }}</dt>
              <dd>{{ mass(levain.build.water_g) }}</dd>
            </div>
          </dl>
          <p class="small quiet">
            {{ levain.into.map((each) => `${mass(each.g)} ${t.into} ${each.name}`).join('; ') }}.
          </p>
        </section>
        <h3>{{ t.all }}</h3>
        <table>
          <tbody>
            <tr v-for="each in sum.ingredients" :key="each.name">
              <th scope="row">{{ each.name }}</th>
              <td class="track" aria-hidden="true">
                <span :style="{ width: `${(100 * each.g) / most}%` }"></span>
              </td>
              <td class="g">{{ mass(each.g) }}</td>
            </tr>
          </tbody>
        </table>
      </template>
    </div>
  </div>
</template>

<style scoped>
.together {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
  gap: 16px 48px;
}
.pick,
.sum {
  display: grid;
  gap: 14px;
  align-content: start;
}
li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  min-height: 52px;
  border-bottom: 1px solid var(--hairline);
}
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
}
.big {
  font-size: 1.875rem;
  line-height: 1.1;
}
h3 {
  font-size: 1.0625rem;
  font-weight: 650;
}
.levain {
  padding-left: 12px;
  border-left: 3px solid var(--ink);
}
dl {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 28px;
  margin: 4px 0;
}
dt {
  font-size: 0.9375rem;
  color: var(--quiet);
}
dd,
.g {
  font-weight: 650;
}
table {
  width: 100%;
  border-collapse: collapse;
}
tr {
  border-bottom: 1px solid var(--hairline);
}
th {
  width: 180px;
  text-align: left;
  font-weight: 400;
}
th,
td {
  padding: 5px 0;
}
.track span {
  display: block;
  height: 8px;
  min-width: 1px;
  background: var(--quiet);
}
.g {
  width: 96px;
  text-align: right;
}
.error {
  padding: 10px 14px;
  border-radius: var(--corner);
}
@media (max-width: 1000px) {
  .together {
    grid-template-columns: minmax(0, 1fr);
  }
}
@media (max-width: 720px) {
  th {
    width: 140px;
  }
}
</style>
