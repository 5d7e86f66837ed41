<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, reactive } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, type Asked } from '../../api/client'
import AskedState from '../../shell/AskedState.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import SheetFrame from '../bench/SheetFrame.vue'
import { keepDraft } from '../plan/draft'

/** A bake once more: what is taken over from what was done then, and on to the Plan room with it. */
const props = defineProps<{ id: string; name: string }>()
const emit = defineEmits<{ close: [] }>()
const t = words.log
const router = useRouter()
const { say } = useUnits()
const found = reactive(
  useQuery({
    queryKey: ['bakes', props.id, 'again'],
    queryFn: () => ask(api.GET('/api/bakes/{key}/again', { params: { path: { key: props.id } } })),
    retry: false,
  }),
)
const again = computed(() => found.data?.again ?? null)
async function plan() {
  const asked = Object.fromEntries(Object.entries(again.value!.asked).filter(([, value]) => value !== null))
  keepDraft({ asked: asked as Asked, id: null })
  await router.push('/plan')
}
</script>

<template>
  <SheetFrame :title="t.again" :lead="name" @close="emit('close')">
    <AskedState :query="found" :rows="2">
      <div v-if="again" class="takes">
        <p>{{ t.takes }}</p>
        <ul>
          <li v-for="line in again.takes ?? []" :key="line">{{ say(line) }}</li>
        </ul>
        <ElButton class="action" @click="plan">{{ t.planSo }}</ElButton>
      </div>
    </AskedState>
  </SheetFrame>
</template>

<style scoped>
.takes {
  display: grid;
  gap: 12px;
  max-width: 560px;
}
li {
  padding: 4px 0;
  border-bottom: 1px solid var(--hairline);
}
</style>
