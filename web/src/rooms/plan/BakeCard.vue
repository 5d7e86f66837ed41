<script setup lang="ts">
import { computed } from 'vue'
import type { Plan, Schemas } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** One sheet for the bake day: read at arm's length, printed in black. */
const props = defineProps<{
  plan: Plan
  formula: Schemas['Formula']
  pieces: number
  each: number
  marks: Schemas['Mark'][]
  trials: Schemas['TrialShown'][]
  letters: Schemas['PartLetter'][]
  mind: string
}>()
const t = words.card
/** Few steps are written larger: the sheet is full, and read from where the dough is. */
const FILLS = 46
const lines = computed(() =>
  props.plan.steps.reduce(
    (sum, step) => sum + 1.4 + Math.ceil(step.detail.length / 62) + step.cautions.length,
    0,
  ),
)
const size = computed(() => `${Math.min(Math.max(FILLS / lines.value, 1), 1.6).toFixed(2)}`)
/** Pieces are marked with the names of their parts. */
const marked = computed(() => props.plan.outs.map((each) => each.name).join(', '))
const shuffled = computed(() => props.letters.map((each) => words.card.letter(each)).join(', '))
const { clock, day, dayKey, dayClock, mass, warmth, say } = useUnits()
</script>

<template>
  <article class="card" :aria-label="t.title" :style="{ '--size': size }">
    <header>
      <h2>{{ formula.name }}</h2>
      <p>
        {{ t.head({ pieces, each: mass(each), out: dayClock(plan.out) }) }}
      </p>
      <p v-if="mind">
        <strong>{{ words.plan.toMind }}:</strong> {{ mind }}
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
        <section v-for="one in trials" :key="one.id" class="trial">
          <h3>{{ words.card.trial({ question: one.trial.question }) }}</h3>
          <p v-for="side in one.trial.sides.filter((each) => each.says)" :key="side.part">
            {{ words.card.side({ part: side.part, says: side.says }) }}
          </p>
          <p>{{ words.card.mark({ parts: marked }) }}</p>
        </section>
        <section v-for="(stage, place) in plan.weigh" :key="place">
          <h3>{{ stage.title }}</h3>
          <dl>
            <div v-for="(line, index) in stage.lines" :key="index">
              <dt>
                {{ line.name }}<template v-if="line.note">, {{ say(line.note) }}</template>
              </dt>
              <dd>{{ mass(line.g) }}</dd>
            </div>
          </dl>
        </section>
        <p>{{ t.water({ warm: warmth(plan.water.drawn_c) }) }}</p>
        <p v-for="mark in marks" :key="mark.vessel">{{ say(mark.sentence) }}</p>
        <p v-if="plan.fold_plan?.kind">{{ plan.fold_plan.sentence }}</p>
      </div>
    </div>
    <p v-if="letters.length" class="letters">{{ words.card.letters({ letters: shuffled }) }}</p>
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
  font-size: calc(10pt * var(--size));
  line-height: 1.2;
}
.day td {
  padding: 5pt 0 2pt;
  font-weight: 650;
}
th {
  width: calc(54pt * var(--size));
  padding: 2pt 0;
  text-align: left;
  vertical-align: top;
  font: 700 calc(15pt * var(--size)) / 1 var(--show);
}
td {
  padding: 2pt 0;
  vertical-align: top;
}
tr:not(.day) {
  border-top: 0.5pt solid #777;
}
td strong {
  font-size: calc(12pt * var(--size));
}
.caution {
  display: block;
  font-style: italic;
}
.trial {
  padding-bottom: 4pt;
  border-bottom: 1pt solid #000;
}
.letters {
  margin-top: 14pt;
  padding-top: 8pt;
  border-top: 1pt dashed #000;
  font-size: 9pt;
  text-align: right;
}
.tick span {
  display: block;
  width: 13pt;
  height: 13pt;
  margin-left: 6pt;
  border: 1.2pt solid #000;
}
.side {
  font-size: calc(10pt * var(--size));
  line-height: 1.3;
}
.side h3 {
  margin-top: 4pt;
  font-size: calc(12pt * var(--size));
}
dl > div {
  display: flex;
  justify-content: space-between;
  gap: 8pt;
}
dd {
  font: 700 calc(13pt * var(--size)) / 1.15 var(--show);
}
.side p {
  margin-top: 6pt;
}
</style>
