<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, reactive } from 'vue'
import { RouterLink } from 'vue-router'
import { api, ask } from '../../api/client'
import { useActing } from '../../shell/acting'
import AskedState from '../../shell/AskedState.vue'
import { newKey } from '../../shell/keys'
import { words } from '../../words'
import LessonShown from './LessonShown.vue'
import LogFrame from './LogFrame.vue'

/** What the kitchen's bakes have taught: each lesson with what it rests on, put aside with a tap. */
const t = words.learnt
const client = useQueryClient()
const found = reactive(useQuery({ queryKey: ['learning'], queryFn: () => ask(api.GET('/api/learning')) }))
const GROUPS = {
  leaven: ['pace'],
  kitchen: ['room', 'fridge', 'bowl_loss', 'water'],
  loaf: ['bake_loss'],
  baker: ['late', 'eye', 'finger'],
} as const
const groups = computed(() =>
  Object.entries(GROUPS)
    .map(([name, kinds]) => ({
      name: t.groups[name as keyof typeof GROUPS],
      lessons: (found.data?.lessons ?? []).filter(({ what }) => (kinds as readonly string[]).includes(what)),
    }))
    .filter(({ lessons }) => lessons.length),
)
const { busy, problem, act } = useActing()
const put = (lesson: string, bake: string, aside: boolean) =>
  act(async () => {
    const body = { event: newKey(), lesson, bake, aside }
    client.setQueryData(['learning'], await ask(api.POST('/api/learning/aside', { body })))
  })
</script>

<template>
  <LogFrame :lead="t.lead">
    <AskedState :query="found" :rows="5">
      <template v-if="found.data">
        <template v-if="!groups.length && !found.data.others.length">
          <h2>{{ t.none }}</h2>
          <p>{{ t.noneMore }}</p>
        </template>
        <p v-if="problem" class="inverted wrong" role="alert">{{ problem }}</p>
        <section v-for="group in groups" :key="group.name">
          <h2>{{ group.name }}</h2>
          <LessonShown
            v-for="lesson in group.lessons"
            :key="lesson.key"
            :lesson="lesson"
            :busy="busy"
            @put="(bake: string, aside: boolean) => put(lesson.key, bake, aside)"
          />
        </section>
        <section v-if="found.data.others.length">
          <h2>{{ t.elsewhere }}</h2>
          <p
            v-for="other in found.data.others"
            :key="other.key"
            class="other"
            :class="{ aside: other.aside }"
          >
            <strong>{{ other.name }} {{ other.says.replace(/\.$/, '') }}.</strong>
            <span class="small quiet">{{ t.restsOn({ bakes: other.tells }) }}</span>
            <RouterLink :to="other.to">{{ t.open }}</RouterLink>
            <ElButton class="link" :disabled="busy" @click="put(other.key, '', !other.aside)">{{
              other.aside ? t.again : t.aside
            }}</ElButton>
          </p>
        </section>
      </template>
    </AskedState>
  </LogFrame>
</template>

<style scoped>
section {
  margin-top: 10px;
}
h2 {
  padding-bottom: 6px;
  border-bottom: 1.5px solid var(--ink);
}
.other {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 18px;
  align-items: baseline;
  padding: 12px 0;
  border-bottom: 1px solid var(--hairline);
}
.aside strong {
  font-weight: 400;
  color: var(--quiet);
}
.wrong {
  padding: 12px 18px;
  border-radius: var(--corner);
}
</style>
