import { ref } from 'vue'
import type { Body } from './useWork'

const KEY = 'gentle-crust.formula'

export interface Draft {
  id: string
  body: Body
  /** The version that it was made from; 0 of a new one. */
  version?: number
}

function stored(): Draft | null {
  try {
    const draft = JSON.parse(localStorage.getItem(KEY) ?? 'null') as Draft | null
    return draft && typeof draft.body?.name === 'string' ? draft : null
  } catch {
    return null
  }
}

/** The formula that was being written and is not saved yet: it outlives a wrong turn and a reload. */
export function useDraft() {
  const draft = ref<Draft | null>(stored())
  function keep(id: string, body: Body, version: number) {
    draft.value = { id, body, version }
    localStorage.setItem(KEY, JSON.stringify(draft.value))
  }
  function forget() {
    draft.value = null
    localStorage.removeItem(KEY)
  }
  return { draft, keep, forget }
}
