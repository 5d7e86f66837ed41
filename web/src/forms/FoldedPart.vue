<script setup lang="ts">
import { ref } from 'vue'

/** What is seldom wanted, behind its title. */
defineProps<{ title: string }>()
const opened = ref<string[]>([])
</script>

<template>
  <ElCollapse v-model="opened" class="folded">
    <ElCollapseItem :title="title" name="part"><slot /></ElCollapseItem>
  </ElCollapse>
</template>
