<script setup lang="ts">
import type { Plan, Schemas } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** One sheet for the bake day: read at arm's length, printed in black. */
defineProps<{
  plan: Plan
  formula: Schemas['Formula']
  pieces: number
  each: number
  marks: Schemas['Mark'][]
}>()
const t = words.card
const { clock, day, dayKey, dayClock, mass, massNumber, warmth, say } = useUnits()
</script>

<template>
  <article class="card" :aria-label="t.title">
    <header>
      <h2>{{ formula.name }}</h2>
      <p>
        {{ t.head({ pieces, each: mass(each), out: dayClock(plan.out) }) }}
      </p>
    </header>
    <div class="columns">
      <table class="steps">
        <tbody>
          <template v-for="(step, index) in plan.steps" :key="step.key">
            <tr v-if="index === 0 || dayKey(plan.steps[index - 1]!.at) !== dayKey(step.at)" class="day">
              <td colspan="3">{{ day(step.at) }}</td>
            </tr>
            <tr>
              <th scope="row">{{ clock(step.at) }}</th>
              <td>
                <strong>{{ step.title }}</strong> <em v-if="step.part">{{ step.part }}</em>
                <span class="detail">{{ say(step.detail) }}</span>
                <span v-for="caution in step.cautions" :key="caution.code" class="caution">{{
                  caution.text
                }}</span>
              </td>
              <td class="tick"><span></span></td>
            </tr>
          </template>
        </tbody>
      </table>
      <div class="side">
        <section v-for="(stage, place) in plan.weigh" :key="place">
          <h3>{{ stage.title }}</h3>
          <dl>
            <div v-for="(line, index) in stage.lines" :key="index">
              <dt>
                {{ line.name }}<template v-if="line.note">, {{ say(line.note) }}</template>
              </dt>
              <dd>{{ massNumber(line.g) }}</dd>
            </div>
          </dl>
        </section>
        <p>{{ t.water({ warm: warmth(plan.water.drawn_c) }) }}</p>
        <p v-for="mark in marks" :key="mark.vessel">{{ say(mark.sentence) }}</p>
        <p v-if="plan.fold_plan?.kind">{{ plan.fold_plan.sentence }}</p>
      </div>
    </div>
  </article>
</template>

<style scoped>
.card {
  color: #000;
  background: #fff;
}
h2 {
  font-size: 26pt;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: end;
  gap: 16px;
  padding-bottom: 4pt;
  border-bottom: 2pt solid #000;
}
header p {
  font-size: 13pt;
  font-weight: 650;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 2.3fr) minmax(0, 1fr);
  gap: 14pt;
  padding-top: 6pt;
}
.steps {
  width: 100%;
  border-collapse: collapse;
  font-size: 10pt;
  line-height: 1.2;
}
.day td {
  padding: 5pt 0 2pt;
  font-weight: 650;
}
th {
  width: 54pt;
  padding: 2pt 0;
  text-align: left;
  vertical-align: top;
  font: 700 15pt/1 var(--show);
}
td {
  padding: 2pt 0;
  vertical-align: top;
}
tr:not(.day) {
  border-top: 0.5pt solid #777;
}
td strong {
  font-size: 12pt;
}
.caution {
  display: block;
  font-style: italic;
}
.tick span {
  display: block;
  width: 13pt;
  height: 13pt;
  margin-left: 6pt;
  border: 1.2pt solid #000;
}
.side {
  font-size: 10pt;
  line-height: 1.3;
}
.side h3 {
  margin-top: 4pt;
  font-size: 12pt;
}
dl > div {
  display: flex;
  justify-content: space-between;
  gap: 8pt;
}
dd {
  font: 700 13pt/1.15 var(--show);
}
.side p {
  margin-top: 6pt;
}
</style>
