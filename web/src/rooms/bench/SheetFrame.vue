<script setup lang="ts">
import { onMounted, onUnmounted, ref } from 'vue'
import { words } from '../../words'

/** A sheet laid over the bench: everything for one question, and a way back. */
defineProps<{ title: string; lead?: string }>()
const emit = defineEmits<{ close: [] }>()
const dialog = ref<HTMLDialogElement | null>(null)
onMounted(() => dialog.value?.showModal())
onUnmounted(() => dialog.value?.close())
</script>

<template>
  <dialog
    ref="dialog"
    class="sheet"
    :aria-label="title"
    @cancel.prevent="emit('close')"
    @click.self="emit('close')"
  >
    <div class="inside">
      <header>
        <div>
          <h2>{{ title }}</h2>
          <p v-if="lead" class="quiet">{{ lead }}</p>
        </div>
        <ElButton class="plain" @click="emit('close')">{{ words.bench.close }}</ElButton>
      </header>
      <slot />
    </div>
  </dialog>
</template>

<style scoped>
.sheet {
  width: min(1120px, 100vw - 48px);
  max-width: none;
  max-height: calc(100vh - 48px);
  padding: 0;
  border: 1.5px solid var(--ink);
  border-radius: var(--corner);
  background: var(--flour);
  color: var(--ink);
}
.sheet::backdrop {
  background: rgb(20 26 28 / 0.55);
}
.inside {
  padding: 20px 28px 28px;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: start;
  gap: 16px;
  margin-bottom: 14px;
}
h2 {
  font-size: 1.875rem;
}
@media (max-width: 720px) {
  .sheet {
    width: 100vw;
    max-height: 100dvh;
    height: 100dvh;
    margin: 0;
    border: 0;
  }
  .inside {
    padding: 14px 16px 24px;
  }
}
</style>
