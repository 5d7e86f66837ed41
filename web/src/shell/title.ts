import { useTitle } from '@vueuse/core'
import { computed, onScopeDispose, ref, watchEffect } from 'vue'
import { words } from '../words'

/** The room that is open, and what in it: the page's name in tabs, histories and screen readers. */
export const room = ref('')
const about = ref('')
/** What is due goes before everything else. */
export const due = ref('')

useTitle(computed(() => due.value || [about.value, room.value, words.app].filter(Boolean).join(' · ')))

/** Name what a room shows, as long as it shows it. */
export function useAbout(name: () => string | undefined) {
  watchEffect(() => (about.value = name() ?? ''))
  onScopeDispose(() => (about.value = ''))
}
