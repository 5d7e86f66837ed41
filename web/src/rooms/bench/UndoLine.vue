<script setup lang="ts">
import { useBench } from '../../shell/bench'
import { words } from '../../words'

/** What was pressed last, and one tap to take it back. */
const emit = defineEmits<{ back: [] }>()
const { last, takeBack } = useBench()
async function back() {
  if (!last.value) return
  await takeBack(last.value.dough, last.value.id)
  emit('back')
}
</script>

<template>
  <p v-if="last" class="undo" role="status">
    {{ last.says }}
    <ElButton class="link" @click="back">
      {{ words.bench.takeBack }}
    </ElButton>
  </p>
</template>

<style scoped>
.undo {
  font-size: 1.1875rem;
}
.link {
  min-height: 32px;
}
</style>
