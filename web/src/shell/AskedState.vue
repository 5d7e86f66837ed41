<script setup lang="ts">
import { computed } from 'vue'
import { Refused } from '../api/client'
import { words } from '../words'

/** What stands where an answer will be: its outline while it is on the way, a sentence and a way on if it failed. */
const props = defineProps<{
  query: { isPending: boolean; isError: boolean; error: unknown; refetch: () => unknown }
  rows?: number
}>()
const why = computed(() =>
  props.query.error instanceof Refused && props.query.error.message
    ? props.query.error.message
    : words.failed,
)
</script>

<template>
  <ElSkeleton v-if="query.isPending" :rows="rows ?? 5" animated />
  <p v-else-if="query.isError" class="inverted notice" role="alert">
    {{ why }}
    <ElButton @click="query.refetch()">{{ words.again }}</ElButton>
  </p>
  <slot v-else />
</template>

<style scoped>
.notice {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  padding: 12px 18px;
  border-radius: var(--corner);
}
</style>
