<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import RemoveButton from '../../forms/RemoveButton.vue'
import TextField from '../../forms/TextField.vue'
import { asRefused } from '../../shell/newest'
import { useKitchen } from '../../shell/kitchen'
import { words } from '../../words'

/** The baker's own bakes by name: one tap brings one back; the bake that is drawn now can be kept under a name. */
const props = defineProps<{ bake: Schemas['OvenBakeBody'] | null; waits: boolean }>()
const emit = defineEmits<{ choose: [Schemas['MyBake']] }>()
const t = words.oven
const client = useQueryClient()
const { settings } = useKitchen()
const bakes = computed(() => settings.value?.bakes ?? [])
const known = computed(() => new Set(settings.value?.vessels.map((vessel) => vessel.id)))
const name = ref('')
const naming = ref(false)
const said = ref('')
const busy = ref(false)

async function change(act: () => Promise<unknown>, says: string) {
  busy.value = true
  try {
    await act()
    await client.invalidateQueries({ queryKey: ['kitchen'] })
    said.value = says
    naming.value = false
    name.value = ''
  } catch (error) {
    said.value = asRefused(error).message
  } finally {
    busy.value = false
  }
}
function keep() {
  const called = name.value.trim()
  const bake = props.bake
  if (bake)
    void change(
      () => ask(api.POST('/api/oven/bakes', { body: { name: called, bake } })),
      t.mineKept({ name: called }),
    )
}
function drop(one: Schemas['MyBake']) {
  void change(
    () => ask(api.DELETE('/api/oven/bakes/{key}', { params: { path: { key: one.id } } })),
    t.mineDropped({ name: one.name }),
  )
}
</script>

<template>
  <section class="mine" :aria-label="t.mine">
    <h2 v-if="bakes.length">{{ t.mine }}</h2>
    <ul v-if="bakes.length">
      <li v-for="one in bakes" :key="one.id">
        <ElButton
          class="link"
          :disabled="!known.has(one.vessel_id)"
          :title="known.has(one.vessel_id) ? undefined : t.mineGone"
          @click="emit('choose', one)"
          >{{ one.name }}</ElButton
        >
        <RemoveButton :of="one.name" @remove="drop(one)" />
      </li>
    </ul>
    <form v-if="naming" class="naming" @submit.prevent="keep">
      <TextField v-model="name" :label="t.mineName" :most="40" />
      <ElButton native-type="submit" class="plain" :disabled="busy || waits || !name.trim()">{{
        t.mineKeep
      }}</ElButton>
    </form>
    <ElButton v-else class="link" :disabled="!bake" @click="naming = true">{{ t.mineNew }}</ElButton>
    <p v-if="said" role="status" class="small">{{ said }}</p>
  </section>
</template>

<style scoped>
.mine {
  display: grid;
  gap: 4px;
  justify-items: start;
}
ul {
  width: 100%;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  border-bottom: 1px solid var(--hairline);
}
.naming {
  display: grid;
  gap: 8px;
  width: 100%;
}
</style>
