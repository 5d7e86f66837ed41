<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import FoldedPart from '../../forms/FoldedPart.vue'
import { words } from '../../words'
import RecipeItems from './RecipeItems.vue'
import RecipeMeasures from './RecipeMeasures.vue'
import RecipeQuestions from './RecipeQuestions.vue'
import RecipeSentences from './RecipeSentences.vue'
import { useRecipe } from './useRecipe'

/** A written recipe as it is pasted, and beside it what was read: doubts first, then what goes in and how it is made. */
const emit = defineEmits<{ take: [Schemas['FormulaBody']]; close: [] }>()
const t = words.paste
const recipe = useRecipe()
const { name, text, asking } = recipe
const { answer: reading, pending } = asking
const problem = computed(() => asking.refused.value?.message ?? '')
const KEYS = ['hydration', 'salt', 'yeast'] as const
const figure = (value: number, key: string) => value.toFixed(key === 'hydration' ? 0 : 1)

async function take() {
  const found = await asking.current()
  if (!found?.formula) return
  recipe.done()
  emit('take', found.formula.formula as Schemas['FormulaBody'])
}
</script>

<template>
  <div class="paste">
    <div class="write">
      <h2>{{ t.title }}</h2>
      <p class="quiet">{{ t.lead }}</p>
      <label>
        <span class="small quiet">{{ t.text }}</span>
        <ElInput
          type="textarea"
          v-model="text"
          :autosize="{ minRows: 14, maxRows: 28 }"
          maxlength="20000"
          :placeholder="t.example"
        />
      </label>
      <label>
        <span class="small quiet">{{ t.name }}</span>
        <ElInput
          v-model="name"
          maxlength="80"
          :placeholder="(reading?.formula?.formula as { name?: string })?.name"
        />
      </label>
      <FoldedPart :title="t.measures"><RecipeMeasures :recipe="recipe" /></FoldedPart>
    </div>
    <div class="watch" aria-live="polite">
      <p v-if="problem" class="inverted error" role="alert">{{ problem }}</p>
      <div v-if="reading" class="read answered" :class="{ awaited: pending }">
        <dl v-if="reading.percent.hydration" class="percent">
          <div v-for="key in KEYS.filter((each) => reading!.percent[each]!.high > 0)" :key="key">
            <dt class="small quiet">{{ t.percents[key] }}</dt>
            <dd class="clock" :data-counts="key === 'hydration' ? 'hydration' : 'overall'">
              {{ figure(reading.percent[key]!.likely, key) }} %
              <span
                v-if="figure(reading.percent[key]!.low, key) !== figure(reading.percent[key]!.high, key)"
                class="small quiet range"
                >{{ figure(reading.percent[key]!.low, key) }}–{{
                  figure(reading.percent[key]!.high, key)
                }}</span
              >
            </dd>
          </div>
        </dl>
        <RecipeQuestions :recipe="recipe" :reading="reading" />
        <div v-if="reading.unread.length" class="unread">
          <p class="small quiet">{{ t.unread }}</p>
          <ul>
            <li v-for="(line, index) in reading.unread" :key="index">{{ line }}</li>
          </ul>
        </div>
        <RecipeItems :recipe="recipe" :reading="reading" />
        <RecipeSentences :recipe="recipe" :reading="reading" />
        <p v-if="reading.why_not" class="inverted error">{{ reading.why_not }}</p>
      </div>
      <p v-else class="quiet">{{ t.nothing }}</p>
      <div class="acts">
        <ElButton class="action" :disabled="!reading?.formula" @click="take">{{ t.take }}</ElButton>
        <ElButton class="link" @click="emit('close')">{{ words.formulas.cancel }}</ElButton>
      </div>
    </div>
  </div>
</template>

<style scoped>
.paste {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.5fr);
  gap: 16px 40px;
}
.write,
.watch {
  display: grid;
  gap: 16px;
  align-content: start;
}
.read {
  display: grid;
  gap: 24px;
}
label {
  display: grid;
}
.percent {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 32px;
}
.percent dd {
  font-size: 1.875rem;
  line-height: 1.1;
}
.range {
  font-family: var(--read);
  font-weight: 400;
}
.error {
  padding: 10px 14px;
  border-radius: var(--corner);
}
.acts {
  position: sticky;
  bottom: 0;
  display: flex;
  gap: 16px;
  padding: 10px 0;
  background: var(--flour);
}
@media (max-width: 1000px) {
  .paste {
    grid-template-columns: 1fr;
  }
  .acts {
    position: static;
  }
}
</style>
