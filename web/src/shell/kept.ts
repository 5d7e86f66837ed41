import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { ifMatch, Refused, type Changed } from '../api/client'
import { words } from '../words'
import { asRefused } from './newest'

interface Kept {
  etag: string
  can_undo: boolean
}
type Named = ReturnType<typeof ifMatch>

const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** Put a value at its path, `oven.top_c` or a plain name. */
function put(target: object, path: string, value: unknown) {
  const [name = '', inner] = path.split('.')
  const fields = target as Record<string, unknown>
  if (inner === undefined) fields[name] = value
  else (fields[name] as Record<string, unknown>)[inner] = value
}

/**
 * Something of which there is one, edited in a form of its own: what stands in the fields is saved, nothing typed
 * meanwhile is replaced, what somebody else saved first is shown, and the last change can be undone.
 *
 * @param answer the server's, as it was heard last
 * @param bodyOf the form that an answer begins
 * @param take called with every newer answer
 */
export function useKept<A extends Kept, B extends object>(
  answer: Ref<A | undefined>,
  bodyOf: (answer: A) => B,
  send: (body: B, headers: Named) => Promise<A>,
  undoIt: () => Promise<A>,
  take: (answer: A) => void,
) {
  const form = ref<B | null>(null) as Ref<B | null>
  const base = ref('')
  const saving = ref(false)
  const saved = ref(false)
  const failed = shallowRef<Refused | null>(null)
  const clash = shallowRef<Changed | null>(null)

  function begin(found: A) {
    form.value = copy(bodyOf(found))
    base.value = found.etag
  }
  watch(answer, (found) => found && !form.value && begin(found), { immediate: true })
  watch(form, () => (saved.value = false), { deep: true })

  async function save(over = base.value): Promise<boolean> {
    if (!form.value || saving.value) return false
    saving.value = true
    failed.value = null
    const sent = JSON.stringify(form.value)
    try {
      const found = await send(copy(form.value), ifMatch(over))
      base.value = found.etag
      take(found)
      saved.value = JSON.stringify(form.value) === sent
      return true
    } catch (error) {
      if (error instanceof Refused && error.changed) clash.value = error.changed
      else failed.value = asRefused(error)
      return false
    } finally {
      saving.value = false
    }
  }
  /** Save over what somebody else saved, with what was chosen of both. */
  async function settle(chosen: Record<string, unknown>) {
    const over = clash.value?.etag
    clash.value = null
    if (!form.value) return
    for (const [path, value] of Object.entries(chosen)) put(form.value, path, value)
    await save(over)
  }
  async function undo() {
    try {
      const found = await undoIt()
      begin(found)
      take(found)
      failed.value = null
    } catch (error) {
      failed.value = asRefused(error)
    }
  }
  const errors = computed(() => {
    const problem = failed.value
    if (!problem) return []
    return problem.errors.length
      ? problem.errors.map((error) => `${error.sentence} ${error.remedy}`)
      : [problem.message || words.failed]
  })
  return {
    form,
    saving,
    saved,
    errors,
    clash,
    save,
    settle,
    undo,
    canUndo: computed(() => answer.value?.can_undo ?? false),
  }
}
