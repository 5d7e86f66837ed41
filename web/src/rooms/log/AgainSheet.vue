<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { api, ask, Refused, type Asked } from '../../api/client'
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
const found = useQuery({
  queryKey: ['bakes', props.id, 'again'],
  queryFn: () => ask(api.GET('/api/bakes/{key}/again', { params: { path: { key: props.id } } })),
  retry: false,
})
const again = computed(() => found.data.value?.again ?? null)
const refusal = computed(() => (found.error.value instanceof Refused ? found.error.value.message : ''))
async function plan() {
  const asked = Object.fromEntries(Object.entries(again.value!.asked).filter(([, value]) => value !== null))
  keepDraft({ asked: asked as Asked, id: null })
  await router.push('/plan')
}
</script>

<template>
  <SheetFrame :title="t.again" :lead="name" @close="emit('close')">
    <ElSkeleton v-if="found.isPending.value" :rows="2" animated />
    <p v-else-if="found.isError.value" role="alert">{{ refusal || words.failed }}</p>
    <div v-else-if="again" class="takes">
      <p>{{ t.takes }}</p>
      <ul>
        <li v-for="line in again.takes ?? []" :key="line">{{ say(line) }}</li>
      </ul>
      <ElButton class="action" @click="plan">{{ t.planSo }}</ElButton>
    </div>
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
