<script setup lang="ts">
import { useBench } from '../../shell/bench'
import { words } from '../../words'

/** What was pressed last, and one tap to take it back. */
const { last, takeBack } = useBench()
</script>

<template>
  <p v-if="last" class="undo" role="status">
    {{ last.says }}
    <ElButton class="link" @click="takeBack(last.dough, last.id)">
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
