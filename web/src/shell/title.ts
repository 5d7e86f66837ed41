import { useTitle } from '@vueuse/core'
import { computed, onScopeDispose, ref, watchEffect } from 'vue'
import { words } from '../words'

/** The room that is open, and what in it: the page's name in tabs, histories and screen readers. */
export const room = ref('')
const about = ref('')
/** What is due goes before everything else. */
export const due = ref('')

useTitle(computed(() => due.value || [about.value, room.value, words.app].filter(Boolean).join(' · ')))

/** Who names it: a room that comes does so before the one that goes is done. */
let namer: symbol

/** Name what a room shows, as long as it shows it. */
export function useAbout(name: () => string | undefined) {
  const mine = (namer = Symbol('room'))
  watchEffect(() => {
    const found = name() ?? ''
    if (namer === mine) about.value = found
  })
  onScopeDispose(() => {
    if (namer === mine) about.value = ''
  })
}
