import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { Refused } from '../api/client'
import { words } from '../words'

/** What went wrong, as a refusal with a sentence. */
export const asRefused = (error: unknown) =>
  error instanceof Refused && error.message ? error : new Refused(words.failed, [])

/**
 * Asks whenever the question changes, and lets the newest question win.
 *
 * One question is on its way at a time; those that came meanwhile but for the newest are dropped. `pending` is true
 * from the moment at which the fields say something that the shown answer does not answer. Whatever acts on an answer
 * awaits `current()`: the answer to what stands in the fields now, or null if that was refused.
 *
 * @param question what is asked, of plain values; null: nothing is asked
 * @param wait milliseconds of rest before it is sent
 * @param complete called with an answer to the newest question; may change what the question is made of
 */
export function useNewest<Q, A>(
  question: () => Q | null,
  send: (question: Q) => Promise<A>,
  { wait = 0, complete }: { wait?: number; complete?: (answer: A, question: Q) => void } = {},
) {
  const answer = shallowRef<A | null>(null)
  const refused = shallowRef<Refused | null>(null)
  const settled = ref<string | null>(null)
  const text = computed(() => JSON.stringify(question()))
  const pending = computed(() => settled.value !== text.value)
  let running: Promise<void> | null = null
  let timer: ReturnType<typeof setTimeout> | undefined

  async function settle() {
    while (pending.value) {
      const asked = question()
      const about = JSON.stringify(asked)
      try {
        const found = asked === null ? null : await send(asked)
        answer.value = found
        refused.value = null
        if (found !== null && asked !== null && about === text.value) {
          complete?.(found, asked)
          settled.value = text.value
          return
        }
      } catch (error) {
        refused.value = asRefused(error)
      }
      settled.value = about
    }
  }
  function go(): Promise<void> {
    clearTimeout(timer)
    running ??= settle().finally(() => (running = null))
    return running
  }
  watch(
    text,
    (_, before) => {
      clearTimeout(timer)
      if (!pending.value) return
      timer = setTimeout(() => void go(), before === undefined ? 0 : wait)
    },
    { immediate: true },
  )
  onScopeDispose(() => clearTimeout(timer))

  /** The answer to what stands in the fields now. */
  async function current(): Promise<A | null> {
    while (pending.value) await go()
    return refused.value ? null : answer.value
  }
  /** Ask once more, though nothing changed. */
  function again() {
    settled.value = null
    return go()
  }
  return { answer, refused, pending, current, again }
}
