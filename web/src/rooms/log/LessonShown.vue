<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { Schemas } from '../../api/client'
import FoldedPart from '../../forms/FoldedPart.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** One lesson: what it says, how much of it is known, what it moves, and the bakes it rests on. */
const props = defineProps<{ lesson: Schemas['LessonLine']; busy: boolean }>()
const emit = defineEmits<{ put: [bake: string, aside: boolean] }>()
const t = words.learnt
const { day } = useUnits()
const percent = computed(() => Math.round(100 * props.lesson.sure))
const tap = computed(() => {
  if (props.lesson.by_wish) return props.lesson.aside ? t.wish : t.unwish
  return props.lesson.aside ? t.again : t.aside
})
</script>

<template>
  <article :class="{ aside: lesson.aside }">
    <div class="says">
      <p>
        <strong>{{ lesson.name }} {{ lesson.says }}.</strong>
      </p>
      <p class="small quiet">
        {{ lesson.aside ? (lesson.by_wish ? t.notWished : t.isAside) : lesson.used }}
      </p>
      <p v-if="lesson.changed" class="small changed">{{ t.changed }}</p>
      <FoldedPart :title="t.bakes">
        <ul>
          <li v-for="bake in lesson.bakes" :key="bake.id" :class="{ out: bake.aside }">
            <span class="when small quiet">{{ day(bake.at) }}</span>
            <RouterLink v-if="bake.drill" to="/log/practice">{{ words.drill.title }}</RouterLink>
            <RouterLink v-else :to="`/log/${bake.id}`">{{ bake.name }}</RouterLink>
            <span>{{ bake.says }}</span>
            <ElButton class="link" :disabled="busy" @click="emit('put', bake.id, !bake.aside)">{{
              bake.aside ? t.bakeAgain : t.bakeAside
            }}</ElButton>
          </li>
        </ul>
      </FoldedPart>
    </div>
    <div class="sure">
      <span class="small">{{ t.restsOn({ bakes: lesson.tells }) }}</span>
      <span class="bar" aria-hidden="true"><span :style="{ width: `${percent}%` }" /></span>
      <span class="small quiet">{{ t.known({ percent }) }}</span>
      <ElButton class="no-print" :disabled="busy" @click="emit('put', '', !lesson.aside)">{{ tap }}</ElButton>
    </div>
  </article>
</template>

<style scoped>
article {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 250px;
  gap: 8px 36px;
  padding: 14px 0;
  border-bottom: 1px solid var(--hairline);
}
.says,
.sure {
  display: grid;
  gap: 4px;
  align-content: start;
  justify-items: start;
}
.says > p:first-child {
  font-size: 1.1875rem;
}
.aside .says > p:first-child strong {
  font-weight: 400;
  color: var(--quiet);
}
.changed {
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
.bar {
  width: 100%;
  height: 6px;
  background: var(--hairline);
}
.bar span {
  display: block;
  height: 100%;
  background: var(--ink);
}
.aside .bar span {
  background: var(--quiet);
}
li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  align-items: baseline;
}
.when {
  min-width: 150px;
}
.out span {
  text-decoration: line-through;
}
@media (max-width: 720px) {
  article {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
