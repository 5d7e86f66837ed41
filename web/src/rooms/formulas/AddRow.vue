<script setup lang="ts">
import { words } from '../../words'

/** A row of things that can be added, each by its kind. */
defineProps<{ kinds: Record<string, string> }>()
const emit = defineEmits<{ add: [kind: string] }>()
</script>

<template>
  <div class="adds">
    <span class="small quiet">{{ words.formulas.add }}</span>
    <ElButton v-for="(label, kind) in kinds" :key="kind" class="link" @click="emit('add', kind)">
      {{ label }}
    </ElButton>
  </div>
</template>

<style scoped>
.adds {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: center;
}
</style>
