<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { reactive } from 'vue'
import { api, ask } from '../../api/client'
import AskedState from '../../shell/AskedState.vue'
import { words } from '../../words'
import LogFrame from './LogFrame.vue'
import TrialLine from './TrialLine.vue'

/** All trials, the latest first. */
const t = words.log
const found = reactive(useQuery({ queryKey: ['trials'], queryFn: () => ask(api.GET('/api/trials')) }))
</script>

<template>
  <LogFrame :lead="t.trialLead">
    <AskedState :query="found" :rows="4">
      <template v-if="!found.data?.trials.length">
        <h2>{{ t.noTrials }}</h2>
        <p>{{ t.noTrialsMore }}</p>
      </template>
      <div v-else>
        <TrialLine v-for="one in found.data.trials" :key="one.id" :found="one" />
      </div>
    </AskedState>
  </LogFrame>
</template>
