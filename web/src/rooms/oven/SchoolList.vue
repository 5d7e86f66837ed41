<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** Where bakers disagree: each school as a variant of this bake, with what it changes and costs. */
const props = defineProps<{ schools: Schemas['School'][] }>()
const t = words.oven
const { say } = useUnits()
const questions = computed(() => {
  const found = new Map<string, Schemas['School'][]>()
  for (const school of props.schools)
    found.set(school.question, [...(found.get(school.question) ?? []), school])
  return [...found]
})
</script>

<template>
  <section v-if="questions.length" class="schools">
    <h2>{{ t.disagree }}</h2>
    <dl>
      <template v-for="[question, answers] in questions" :key="question">
        <dt>{{ question }}</dt>
        <dd v-for="school in answers" :key="school.key" class="small">
          <strong>{{ say(school.what) }}:</strong>{{ ' ' }}
          <span :class="{ quiet: school.default }">{{
            school.default ? t.asDrawn : say(school.changes)
          }}</span>{{ ' ' }}
          <span v-if="school.advice" class="quiet">{{ school.advice }}</span>
        </dd>
      </template>
    </dl>
  </section>
</template>

<style scoped>
.schools {
  margin-top: 28px;
}
dl {
  columns: 2 320px;
  column-gap: 32px;
}
dt {
  margin-top: 8px;
  font-weight: 650;
  break-after: avoid;
}
dd {
  padding: 3px 0;
  break-inside: avoid;
}
</style>
