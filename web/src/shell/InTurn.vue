<script setup lang="ts">
import { onScopeDispose, ref } from 'vue'
import { inTurn } from './turns'

/** What is drawn in a task of its own, after what stands before it on the page. */
const mine = ref(false)
onScopeDispose(inTurn(() => (mine.value = true)))
</script>

<template>
  <slot v-if="mine" />
</template>
