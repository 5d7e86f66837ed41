<script setup lang="ts">
import type { Waiting } from '../../shell/outbox'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** What the program refused: each with its reason, kept on this device until somebody says what becomes of it. */
defineProps<{ stuck: Waiting[] }>()
const emit = defineEmits<{ again: [string[]]; drop: [string[]] }>()
const t = words.bench
const { clock } = useUnits()

const what = (one: Waiting) =>
  one.photo ? t.stuckPhoto : (t.stuckKinds[one.press?.kind ?? ''] ?? t.stuckOther)
const when = (one: Waiting) => clock(one.photo?.at ?? one.press?.at ?? '')
</script>

<template>
  <section class="inverted notice" role="alert">
    <p>{{ t.stuck({ count: stuck.length }) }}</p>
    <ul>
      <li v-for="one in stuck" :key="one.id">
        <span>
          <strong>{{ what(one) }}, {{ when(one) }}</strong>
          {{ one.refused }}
        </span>
        <span class="acts">
          <ElButton @click="emit('again', [one.id])">{{ t.stuckAgain }}</ElButton>
          <ElButton @click="emit('drop', [one.id])">{{ t.stuckDrop }}</ElButton>
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 8px 24px;
  padding: 8px 0;
}
.acts {
  display: flex;
  gap: 8px;
}
</style>
