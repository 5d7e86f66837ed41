<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import type { BenchDough } from '../../shell/bench'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** What the coming hours run into, and two ways out that were tried, each one tap away. */
const props = defineProps<{ dough: BenchDough; now: number }>()
const emit = defineEmits<{ change: [Schemas['Remedy']] }>()
const t = words.bench
const { say } = useUnits()
const told = computed(() => `${props.dough.clashes.map((clash) => clash.sentence).join()}${props.dough.out}`)
/** Ways are looked for once nothing more was pressed for a moment: they take the program longer than a press may. */
const settled = ref('')
let timer: ReturnType<typeof setTimeout> | undefined
watch(
  told,
  (text) => {
    clearTimeout(timer)
    timer = setTimeout(() => (settled.value = text), 800)
  },
  { immediate: true },
)
onScopeDispose(() => clearTimeout(timer))
const offered = computed(() => {
  if (settled.value !== told.value) return []
  const { remedies = [], rescues = [] } = ways.data.value ?? {}
  const over = props.dough.clashes.some((clash) => clash.code === 'over_proofed')
  return over ? [...remedies, ...rescues] : remedies
})
const ways = useQuery({
  queryKey: computed(() => ['remedies', props.dough.id, settled.value]),
  enabled: computed(() => settled.value !== ''),
  queryFn: () => ask(api.GET('/api/bench/{key}/remedies', { params: { path: { key: props.dough.id } } })),
  staleTime: 60_000,
})
</script>

<template>
  <section class="clash inverted" role="alert">
    <div class="says">
      <h2>{{ t.clash }}: {{ dough.name }}</h2>
      <p v-for="clash in dough.clashes" :key="clash.code + clash.at">{{ say(clash.sentence, now) }}</p>
    </div>
    <div class="ways">
      <p v-if="ways.isPending.value || settled !== told">{{ t.finding }}</p>
      <p v-else-if="!offered.length">{{ t.noWay }}</p>
      <button
        v-for="way in offered"
        :key="way.sentence"
        type="button"
        class="way"
        @click="emit('change', way)"
      >
        {{ say(way.sentence, now) }}
      </button>
    </div>
  </section>
</template>

<style scoped>
.clash {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.1fr);
  gap: 10px 28px;
  padding: 12px 20px;
  border-radius: var(--corner);
  font-size: 1.25rem;
  line-height: 1.3;
}
h2 {
  font-size: 1.375rem;
  margin-bottom: 4px;
}
.ways {
  display: grid;
  gap: 8px;
  align-content: center;
}
.way {
  min-height: 52px;
  padding: 6px 16px;
  border: 1.5px solid var(--flour);
  border-radius: var(--corner);
  background: none;
  color: inherit;
  font-weight: 650;
  text-align: left;
  cursor: pointer;
}
.way:hover {
  background: var(--flour);
  color: var(--ink);
}
@media (max-width: 720px) {
  .clash {
    grid-template-columns: 1fr;
    padding: 12px 16px;
  }
}
</style>
