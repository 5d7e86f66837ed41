<script setup lang="ts">
import { computed, toRef } from 'vue'
import type { FormulaAnswer } from '../../api/client'
import { words } from '../../words'
import MethodTree from './MethodTree.vue'
import { useMethod } from './useMethod'
import type { Body } from './useWork'

/** How a formula is made, to be looked at. */
const props = defineProps<{ formula: FormulaAnswer['formula'] }>()
const t = words.method
const form = computed(() => props.formula as unknown as Body)
const { answer, pending, shown, written, isOwn } = useMethod(toRef(form))
const style = computed(() => answer.value?.styles.find((each) => each.id === answer.value?.style)?.name ?? '')
</script>

<template>
  <section :aria-label="t.title">
    <h2>
      {{ t.title }} <span class="quiet">{{ isOwn ? t.own : style }}</span>
    </h2>
    <ElSkeleton v-if="!answer" :rows="4" animated />
    <MethodTree v-else still :stages="shown" :parts="written.parts ?? []" :awaited="pending" />
  </section>
</template>

<style scoped>
section {
  min-width: 0;
  min-height: 200px;
}
h2 {
  font-size: 1.0625rem;
}
h2 .quiet {
  margin-left: 8px;
  font-weight: 400;
}
</style>
