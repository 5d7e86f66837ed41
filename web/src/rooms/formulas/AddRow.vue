<script setup lang="ts">
import { words } from '../../words'

/** A row of things that can be added, each by its kind. */
defineProps<{ kinds: Record<string, string> }>()
const emit = defineEmits<{ add: [kind: string] }>()
</script>

<template>
  <div class="adds">
    <span class="small quiet">{{ words.formulas.add }}</span>
    <button v-for="(label, kind) in kinds" :key="kind" type="button" class="link" @click="emit('add', kind)">
      {{ label }}
    </button>
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
