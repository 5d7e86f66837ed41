<script setup lang="ts">
import { onMounted, onScopeDispose, ref } from 'vue'
import { words } from '../words'

/** One note for the whole page: what the percentage under the pointer, finger or caret counts. */
const said = ref<{ text: string; left: number; top: number } | null>(null)

function show(event: Event) {
  const from = event.target instanceof Element ? event.target.closest<HTMLElement>('[data-counts]') : null
  const text = from && words.counts[from.dataset.counts ?? '']
  if (!from || !text) {
    said.value = null
    return
  }
  const box = from.getBoundingClientRect()
  const left = Math.min(Math.max(box.left + box.width / 2, 156), window.innerWidth - 156)
  said.value = { text, left, top: box.top }
}
const hide = () => (said.value = null)
const heard = ['pointerover', 'focusin', 'click'] as const

onMounted(() => {
  for (const kind of heard) document.addEventListener(kind, show)
  window.addEventListener('scroll', hide, { passive: true })
  window.addEventListener('keydown', escape)
})
onScopeDispose(() => {
  for (const kind of heard) document.removeEventListener(kind, show)
  window.removeEventListener('scroll', hide)
  window.removeEventListener('keydown', escape)
})
function escape(event: KeyboardEvent) {
  if (event.key === 'Escape') hide()
}
</script>

<template>
  <p
    v-if="said"
    class="tip inverted"
    role="tooltip"
    :style="{ left: `${said.left}px`, top: `${said.top}px` }"
  >
    {{ said.text }}
  </p>
</template>

<style scoped>
.tip {
  position: fixed;
  z-index: 20;
  width: max-content;
  max-width: 296px;
  padding: 8px 12px;
  border-radius: var(--corner);
  font-size: 0.9375rem;
  line-height: 1.35;
  transform: translate(-50%, calc(-100% - 8px));
  pointer-events: none;
}
</style>
