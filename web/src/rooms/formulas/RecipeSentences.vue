<script setup lang="ts">
import { computed, ref } from 'vue'
import type { Schemas } from '../../api/client'
import PickField from '../../forms/PickField.vue'
import { span, warmth } from '../../shell/units'
import { words } from '../../words'
import { calledStage, type ReadRecipe } from './useRecipe'

/** Each sentence beside the stage that it became, and how long that takes in this kitchen. */
const props = defineProps<{ recipe: ReadRecipe; reading: Schemas['RecipeAnswer'] }>()
const t = words.paste
type Stage = Schemas['RecipeStage']
type Sentence = Schemas['ReadSentence']
const opened = ref<string | null>(null)
const WAITS = ['autolyse', 'rest', 'bulk', 'warm_up', 'bench_rest', 'proof', 'keep', 'cool']
const NONE = 'none'
const times = computed(() => new Map(props.reading.times.map((each) => [each.stage, each])))

/** Every sentence with the stages it became; one that goes on with the stage before it names it no more. */
const rows = computed(() => {
  const shown = new Set<string>()
  const found = props.reading.sentences.map((sentence) => {
    const became = props.reading.stages.filter((stage) => sentence.stages!.includes(stage.id))
    const stages = became.filter((stage) => !shown.has(stage.id))
    for (const stage of stages) shown.add(stage.id)
    return { stages, sentence: sentence as Sentence | null }
  })
  if (!props.reading.told)
    found.push(...props.reading.stages.map((stage) => ({ stages: [stage], sentence: null })))
  return found
})
const stageOf = (sentence: Sentence) =>
  props.reading.stages.find((each) => each.id === sentence.stage) ?? null
const heatOf = (heat: Stage['heats'][number]) =>
  [
    heat.setpoint_c > 0 ? warmth(heat.setpoint_c) : '',
    heat.fan ? t.fan : '',
    span(heat.minutes),
    heat.covered ? t.covered : '',
    heat.turn ? t.turned : '',
  ]
    .filter(Boolean)
    .join(', ')
function toldOf(stage: Stage) {
  const told = [stage.told || (stage.minutes >= 1 ? span(stage.minutes) : '')]
  if (stage.folds) told.push(t.folds({ count: stage.folds }))
  if (stage.place === 'fridge') told.push(t.cold)
  return told.filter(Boolean).join(', ')
}
const said = (stage: Stage) => {
  const time = times.value.get(stage.id)
  if (!time) return ''
  const [low, high] = time.said_min as [number, number]
  const shown = low === high ? span(low) : `${span(low)} – ${span(high)}`
  return t.says({ said: shown, here: span(Math.round(time.here_min / 5) * 5) })
}
const options = (sentence: Sentence) => [
  ...(waits(sentence) ? WAITS.map((kind) => ({ value: kind, label: t.kinds[kind]! })) : []),
  { value: NONE, label: t.kinds[NONE]! },
  { value: '', label: t.asRead },
]
const waits = (sentence: Sentence) => WAITS.includes(stageOf(sentence)?.kind ?? '')
</script>

<template>
  <section v-if="reading.stages.length || reading.sentences.length" class="made">
    <h3>{{ t.made }}</h3>
    <p v-if="!reading.told" class="small quiet">{{ t.notTold }}</p>
    <ol>
      <li v-for="(row, index) in rows" :key="index">
        <ul class="stages">
          <li v-for="stage in row.stages" :key="stage.id">
            <strong>{{ calledStage(stage) }}</strong>
            <span v-for="(heat, place) in stage.heats" :key="place" class="small quiet">{{
              heatOf(heat)
            }}</span>
            <span v-if="!stage.heats.length" class="small quiet">{{ toldOf(stage) }}</span>
          </li>
        </ul>
        <div v-if="row.sentence" class="told">
          <button
            type="button"
            class="sentence"
            :class="{ fixed: recipe.sentenceFix(row.sentence.text) }"
            :aria-expanded="opened === row.sentence.text"
            :aria-label="`${row.sentence.text} ${t.putRight}`"
            @click="opened = opened === row.sentence.text ? null : row.sentence.text"
          >
            {{ row.sentence.text }}
            <span v-if="row.sentence.unread" class="small quiet left">{{
              t.notUnderstood({ words: row.sentence.unread })
            }}</span>
          </button>
          <PickField
            v-if="opened === row.sentence.text"
            :label="t.happens"
            :options="options(row.sentence)"
            :model-value="recipe.sentenceFix(row.sentence.text)"
            @update:model-value="(kind) => recipe.putSentenceRight(row.sentence!.text, kind)"
          />
          <template v-for="stage in row.stages" :key="stage.id">
            <p v-if="said(stage)" class="small here">{{ said(stage) }}</p>
          </template>
        </div>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.made {
  display: grid;
  gap: 8px;
}
ol {
  list-style: none;
}
ol > li {
  display: grid;
  grid-template-columns: 148px minmax(0, 1fr);
  gap: 4px 20px;
  padding: 4px 0;
  border-top: 1px solid var(--hairline);
}
.stages {
  display: grid;
  gap: 6px;
  align-content: start;
  padding: 10px 0 6px;
}
.stages li {
  display: grid;
}
.stages strong::first-letter {
  text-transform: uppercase;
}
.sentence {
  display: block;
  width: 100%;
  min-height: 44px;
  padding: 10px 0;
  border: 0;
  background: none;
  color: inherit;
  line-height: 1.4;
  text-align: left;
  cursor: pointer;
}
.sentence.fixed {
  font-weight: 600;
}
.left {
  display: block;
}
.here {
  padding: 2px 0 8px 10px;
  border-left: 3px solid var(--ink);
}
@media (max-width: 600px) {
  ol > li {
    grid-template-columns: 1fr;
    gap: 0;
  }
  .stages:empty {
    display: none;
  }
}
</style>
