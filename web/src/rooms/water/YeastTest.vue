<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import { useNow } from '../../shell/kitchen'
import { newKey } from '../../shell/keys'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** Is the dry yeast alive? Its timer is a time that is kept, so it survives a reload. */
const t = words.yeastTest
const now = useNow()
const client = useQueryClient()
const { mass, warmth } = useUnits()
const query = useQuery({ queryKey: ['yeast-test'], queryFn: () => ask(api.GET('/api/yeast-test')) })
const test = computed(() => query.data.value?.test ?? null)
const minutes = computed(() =>
  test.value ? Math.max((now.value - Date.parse(test.value.begun_at)) / 60_000, 0) : 0,
)
const done = computed(() => test.value?.verdict && test.value.verdict.state !== 'wait')
const running = computed(() => test.value && !done.value && minutes.value < 120)
const foams = Object.entries(t.foams) as [Schemas['FoamBody']['foam'], string][]
const elapsed = computed(() => {
  const seconds = Math.floor(minutes.value * 60)
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
})

async function begin() {
  const found = await ask(api.PUT('/api/yeast-test/{key}', { params: { path: { key: newKey() } } }))
  client.setQueryData(['yeast-test'], found)
}
async function openPack() {
  const found = await ask(api.PUT('/api/yeast-test/{key}/new-pack', { params: { path: { key: newKey() } } }))
  client.setQueryData(['yeast-test'], found)
}
async function read(foam: Schemas['FoamBody']['foam']) {
  const body = { foam, minutes: Math.round(minutes.value * 10) / 10 }
  const found = await ask(
    api.PUT('/api/yeast-test/{key}/foam', { params: { path: { key: newKey() } }, body }),
  )
  client.setQueryData(['yeast-test'], found)
}
</script>

<template>
  <section v-if="query.data.value" class="test">
    <h2>{{ t.title }}</h2>
    <p>
      {{ t.stir }} {{ mass(query.data.value.yeast_g) }} {{ t.yeast }} {{ mass(query.data.value.sugar_g) }}
      {{ t.sugar }} {{ mass(query.data.value.water_g) }} {{ t.water }} {{ warmth(query.data.value.water_c)
      }}{{ t.then }}
    </p>
    <p v-if="test?.verdict" class="verdict" role="status">
      <strong>{{ test.verdict.sentence }}</strong>
    </p>
    <template v-if="running">
      <p class="clock elapsed">{{ elapsed }} <span class="small quiet">min</span></p>
      <div class="foams">
        <ElButton v-for="[foam, label] in foams" :key="foam" class="plain" @click="read(foam)">
          {{ label }}
        </ElButton>
      </div>
    </template>
    <div v-else class="foams">
      <ElButton class="plain" @click="begin">{{ done ? t.again : t.begin }}</ElButton>
      <ElButton v-if="test?.verdict && test.verdict.state !== 'lively'" class="plain" @click="openPack">{{
        t.newPack
      }}</ElButton>
    </div>
  </section>
</template>

<style scoped>
.test {
  display: grid;
  gap: 10px;
  padding-top: 16px;
  border-top: 1px solid var(--ink);
}
.elapsed {
  font-size: 2.75rem;
  line-height: 1;
}
.foams {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.verdict {
  padding-left: 10px;
  border-left: 3px solid var(--ink);
}
p {
  max-width: 68ch;
}
</style>
