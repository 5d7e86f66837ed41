<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { words } from '../../words'
import type { ReadRecipe } from './useRecipe'

/** What is in doubt: said, and settled with a tap where a choice does it. */
const props = defineProps<{ recipe: ReadRecipe; reading: Schemas['RecipeAnswer'] }>()
const t = words.paste
type Question = Schemas['ReadQuestion']
const BRITISH = 568.3 / 473.2
const SALTS = ['table', 'fine_sea', 'flaky'] as const
const FILLED = ['spooned', 'scooped'] as const
const OUNCES = ['weight', 'volume'] as const
const YEASTS = ['fresh', 'active_dry'] as const

/** The same doubt of several lines is asked once; what a sentence or a line leaves open stands with it. */
const asked = computed(() => {
  const seen = new Set<string>()
  return props.reading.questions.filter((each) => {
    const measure = ['which_salt', 'cups', 'ounces'].includes(each.code)
    const key = measure ? each.code : `${each.code}/${each.item ?? each.sentence ?? each.text}`
    return each.code !== 'sentence' && !seen.has(key) && seen.add(key)
  })
})
const doubts = computed(() =>
  props.reading.warnings.filter(
    (each) => !props.reading.questions.some((question) => question.code === each.code),
  ),
)
function settle(question: Question, place: number) {
  const { habits } = props.recipe
  const item = question.item == null ? undefined : props.reading.items[question.item]
  if (question.code === 'which_salt') habits.salt = SALTS[place]!
  else if (question.code === 'cups') habits.flour = FILLED[place]!
  else if (question.code === 'ounces') habits.liquid_ounces = OUNCES[place]!
  else if (!item) return
  else if (question.code === 'optional')
    props.recipe.putItemRight(item.text, place ? { out: true } : { g: item.g.likely })
  else if (question.code === 'pint')
    props.recipe.putItemRight(item.text, { g: item.g.likely * (place ? BRITISH : 1) })
  else if (question.code === 'which_yeast') props.recipe.putItemRight(item.text, { yeast: YEASTS[place] })
  if (['which_salt', 'cups', 'ounces'].includes(question.code)) void props.recipe.keepMeasures()
}
</script>

<template>
  <section v-if="asked.length || doubts.length" class="asked">
    <h3>{{ t.asked }}</h3>
    <ul>
      <li v-for="warning in doubts" :key="warning.code">{{ warning.text }}</li>
      <li v-for="(question, index) in asked" :key="`${question.code}-${index}`">
        {{ question.text }}
        <span v-if="question.choices.length" class="choices">
          <ElButton
            v-for="(choice, place) in question.choices"
            :key="place"
            class="plain"
            @click="settle(question, place)"
            >{{ choice }}</ElButton
          >
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.asked {
  display: grid;
  gap: 8px;
}
li {
  padding: 4px 0 4px 10px;
  border-left: 3px solid var(--ink);
  margin-bottom: 8px;
}
.choices {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding-top: 6px;
}
</style>
