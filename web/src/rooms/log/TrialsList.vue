<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { api, ask } from '../../api/client'
import { words } from '../../words'
import LogFrame from './LogFrame.vue'
import TrialLine from './TrialLine.vue'

/** All trials, the latest first. */
const t = words.log
const found = useQuery({ queryKey: ['trials'], queryFn: () => ask(api.GET('/api/trials')) })
</script>

<template>
  <LogFrame :lead="t.trialLead">
    <ElSkeleton v-if="found.isPending.value" :rows="4" animated />
    <p v-else-if="found.isError.value" class="inverted notice" role="alert">
      {{ words.failed }}
      <ElButton @click="found.refetch()">{{ words.again }}</ElButton>
    </p>
    <template v-else-if="!found.data.value?.trials.length">
      <h2>{{ t.noTrials }}</h2>
      <p>{{ t.noTrialsMore }}</p>
    </template>
    <div v-else>
      <TrialLine v-for="one in found.data.value.trials" :key="one.id" :found="one" />
    </div>
  </LogFrame>
</template>

<style scoped>
.notice {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 12px 18px;
  border-radius: var(--corner);
}
</style>
