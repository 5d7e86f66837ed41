<script setup lang="ts">
import type { Schemas } from '../../api/client'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

defineProps<{ shades: Schemas['WhatIf'][] }>()
const chosen = defineModel<string | null>({ required: true })
const { say } = useUnits()
const t = words.whatIf
</script>

<template>
  <section v-if="shades.length" class="what-if no-print" :aria-label="t.title">
    <span class="small quiet">{{ t.title }}</span>
    <ElButton
      v-for="shade in shades"
      :key="shade.code"
      class="plain"
      :aria-pressed="chosen === shade.code"
      @click="chosen = chosen === shade.code ? null : shade.code"
    >
      {{ say(shade.title) }}
    </ElButton>
    <p v-for="shade in shades.filter((each) => each.code === chosen)" :key="shade.code" role="status">
      {{ say(shade.sentence) }}
    </p>
  </section>
</template>

<style scoped>
.what-if {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.plain[aria-pressed='true'] {
  background: var(--ink);
  border-color: var(--ink);
  color: var(--flour);
}
p {
  width: 100%;
}
</style>
