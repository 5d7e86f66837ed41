<script setup lang="ts">
import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, reactive } from 'vue'
import { api, ask } from '../../api/client'
import DoughStanding from '../../charts/DoughStanding.vue'
import LookDrawing from '../../charts/LookDrawing.vue'
import { words } from '../../words'

/** Under, ready and over of one kind of dough, side by side, each as it is likeliest to show itself. */
const props = defineProps<{ formula: string; stage: 'bulk' | 'final_proof' }>()
const t = words.drill
const query = computed(() => ({ formula: props.formula, stage: props.stage }))
const found = reactive(
  useQuery({
    queryKey: ['drill', 'sides', query],
    queryFn: () => ask(api.GET('/api/drill/sides', { params: { query: query.value } })),
    placeholderData: keepPreviousData,
    staleTime: Infinity,
  }),
)
</script>

<template>
  <section v-if="found.data">
    <h2>{{ t.sides }}</h2>
    <div class="sides">
      <article v-for="side in found.data.sides" :key="side.state">
        <h3>
          {{ t.states[side.state] }} <span class="quiet">{{ t.at({ rise: side.rise_percent }) }}</span>
        </h3>
        <DoughStanding :drawn="side.drawn" :label="t.picture({ what: t.states[side.state]! })" />
        <ul>
          <li v-for="sign in side.signs" :key="sign.cue">
            <LookDrawing :cue="sign.cue" :of="sign.value" /> {{ sign.says }}
          </li>
        </ul>
        <p class="small quiet">{{ side.becomes }}</p>
      </article>
    </div>
  </section>
</template>

<style scoped>
section {
  margin-top: 18px;
}
h2 {
  padding-bottom: 6px;
  border-bottom: 1.5px solid var(--ink);
}
.sides {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 20px 32px;
  margin-top: 12px;
}
article {
  display: grid;
  gap: 8px;
  align-content: start;
}
h3 {
  font: 650 1.1875rem/1.3 var(--show);
}
h3::first-letter {
  text-transform: uppercase;
}
article > :deep(svg) {
  height: 150px;
}
li {
  display: flex;
  gap: 10px;
  align-items: center;
  line-height: 1.25;
}
@media (max-width: 720px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
