import { computed, ref, shallowRef, watch } from 'vue'
import { api, ask, Refused, type FormulaAnswer, type Schemas } from '../../api/client'
import { words } from '../../words'

export type Body = Schemas['FormulaBody']
export type Lock = Schemas['LockBody']
export type Change = Schemas['ChangeBody']
export type YeastKind = NonNullable<Schemas['WorkBody']['yeast_kind']>

const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** Take over what differs and leave the rest untouched, so that only what changed is drawn again. */
function patch(target: Record<string, unknown>, source: Record<string, unknown>) {
  for (const key of Object.keys(target)) if (!(key in source)) delete target[key]
  for (const [key, value] of Object.entries(source)) {
    const old = target[key]
    if (old && value && typeof old === 'object' && typeof value === 'object' && kin(old, value)) {
      patch(old as Record<string, unknown>, value as Record<string, unknown>)
    } else if (old !== value) target[key] = value
  }
}
const kin = (one: object, other: object) =>
  Array.isArray(one) === Array.isArray(other) &&
  (!Array.isArray(one) || one.length === (other as unknown[]).length)

/** A formula in hand, written by percent or by grams; the server keeps both sides and the lock in step. */
export function useWork(start: Body, tinFill: number) {
  const form = ref<Body>(copy(start))
  const lock = ref<Lock>({ kind: 'pieces', g: 0, flour_key: '', tin_ml: 1900, g_per_ml: tinFill })
  const seen = shallowRef<FormulaAnswer | null>(null)
  const refused = shallowRef<Refused | null>(null)
  let asking = false
  let again = false
  let agreed = ''
  let change: Change | null = null
  let yeastKind: YeastKind | null = null

  async function run() {
    again = true
    if (asking) return
    asking = true
    while (again) {
      again = false
      const snapshot = JSON.stringify(form.value)
      const body = { formula: copy(form.value), lock: lock.value, change, yeast_kind: yeastKind }
      change = yeastKind = null
      try {
        const found = await ask(api.POST('/api/formulas/work', { body }))
        seen.value = found
        refused.value = null
        if (JSON.stringify(form.value) === snapshot) {
          patch(form.value as Record<string, unknown>, copy(found.formula) as Record<string, unknown>)
          agreed = JSON.stringify(form.value)
        }
      } catch (error) {
        agreed = ''
        refused.value = error instanceof Refused ? error : new Refused(words.failed, [])
      }
    }
    asking = false
  }
  watch(form, () => JSON.stringify(form.value) !== agreed && void run(), { deep: true, immediate: true })
  watch(lock, () => void run(), { deep: true })

  /** One line by its grams in the whole batch, or by its share (0-1) of the dough. */
  function set(asked: Change) {
    change = asked
    void run()
  }
  function takeYeast(kind: YeastKind) {
    yeastKind = kind
    void run()
  }
  const lines = computed(() => new Map(seen.value?.totals.map((total) => [total.line, total])))
  const grams = (line: string) => lines.value.get(line)?.g ?? 0

  return { form, lock, seen, refused, set, takeYeast, grams }
}
