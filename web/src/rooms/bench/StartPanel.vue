<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ask, Refused } from '../../api/client'
import ChoiceRow from '../../forms/ChoiceRow.vue'
import FormulaPicker from '../../forms/FormulaPicker.vue'
import NumberField from '../../forms/NumberField.vue'
import { programNow, useBench } from '../../shell/bench'
import { useFormulas } from '../../shell/formulas'
import { newKey } from '../../shell/keys'
import { useUnits } from '../../shell/units'
import { told, words } from '../../words'

/** What can come to the bench: a saved plan, or a dough that was just mixed. */
const emit = defineEmits<{ begun: [string] }>()
const t = words.bench
const { dayClock } = useUnits()
const client = useQueryClient()
const { doughs, press, took } = useBench()
const plans = useQuery({
  queryKey: ['plans', 'first'],
  queryFn: () => ask(api.GET('/api/plans', { params: { query: { baked: false } } })),
})
const { lines } = useFormulas()
const there = computed(() => new Set(doughs.value.map((dough) => dough.id)))
const coming = computed(() =>
  (plans.data.value?.plans ?? []).filter(
    (line) => line.state === 'planned' && !there.value.has(line.id) && Date.parse(line.ready) > programNow(),
  ),
)
const formula = ref('')
const chosen = computed(() => formula.value || lines.value[0]?.id || '')
const pieces = ref(2)
const ago = ref('0')
const style = ref<'room_steady' | 'cold_shaped'>('room_steady')
const problem = ref('')
const busy = ref(false)

async function start(key: string) {
  await press(key, 'bake_started', {}, told(t.kinds.bake_started))
  emit('begun', key)
}
async function mixed() {
  busy.value = true
  const key = newKey()
  try {
    const mixed_at = new Date(programNow() - Number(ago.value) * 60_000).toISOString()
    const body = {
      event: newKey(),
      formula_id: chosen.value,
      pieces: pieces.value,
      style: style.value,
      mixed_at,
    }
    took(await ask(api.POST('/api/bench/mixed/{key}', { params: { path: { key } }, body })))
    problem.value = ''
    await client.invalidateQueries({ queryKey: ['plans'] })
    emit('begun', key)
  } catch (error) {
    problem.value = error instanceof Refused && error.message ? error.message : words.failed
  } finally {
    busy.value = false
  }
}
const options = (from: Record<string, string>) =>
  Object.entries(from).map(([value, label]) => ({ value, label }))
</script>

<template>
  <div class="start">
    <section v-if="coming.length">
      <h2>{{ t.saved }}</h2>
      <ul>
        <li v-for="line in coming" :key="line.id">
          <span>
            <strong>{{ line.formula_name }}</strong>
            <span class="quiet">{{
              words.plan.says.saved({ count: line.pieces, when: dayClock(line.ready) })
            }}</span>
          </span>
          <ElButton class="action" @click="start(line.id)">{{ t.start }}</ElButton>
        </li>
      </ul>
    </section>
    <form class="mixed" @submit.prevent="mixed">
      <h2>{{ t.mixedTitle }}</h2>
      <FormulaPicker
        v-if="chosen"
        :model-value="chosen"
        :label="t.mixedWhat"
        @update:model-value="(value: string) => (formula = value)"
      />
      <NumberField v-model="pieces" :label="t.mixedPieces" />
      <ChoiceRow v-model="ago" :legend="t.mixedAgo" :options="options(t.mixedAgoes)" />
      <ChoiceRow
        v-model="style"
        :legend="t.mixedProof"
        :options="[
          { value: 'room_steady', label: t.mixedProofs.room! },
          { value: 'cold_shaped', label: t.mixedProofs.cold! },
        ]"
      />
      <p v-if="problem" role="alert">{{ problem }}</p>
      <ElButton native-type="submit" class="action" :disabled="busy || !chosen">{{ t.mixedGo }}</ElButton>
    </form>
  </div>
</template>

<style scoped>
.start {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 20rem), 1fr));
  gap: 32px 48px;
  font-size: 1.25rem;
}
h2 {
  margin-bottom: 10px;
}
li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 8px 16px;
  padding: 10px 0;
  border-bottom: 1px solid var(--hairline);
}
li > span {
  display: grid;
  line-height: 1.25;
}
.mixed {
  display: grid;
  gap: 14px;
  align-content: start;
}
.action {
  min-height: 56px;
}
</style>
