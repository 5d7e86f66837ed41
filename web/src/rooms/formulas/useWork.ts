import { computed, ref, shallowRef, watch } from 'vue'
import { api, ask, type Refused, type FormulaAnswer, type Schemas } from '../../api/client'
import { asRefused } from '../../shell/newest'

export type Body = Schemas['FormulaBody']
export type Lock = Schemas['LockBody']
export type Change = Schemas['ChangeBody']
export type YeastKind = NonNullable<Schemas['WorkBody']['yeast_kind']>

const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

const same = (one: unknown, other: unknown) => JSON.stringify(one) === JSON.stringify(other)
const isGroup = (value: unknown): value is Record<string, unknown> =>
  value !== null && typeof value === 'object'
const kin = (one: object, other: object) =>
  Array.isArray(one) === Array.isArray(other) &&
  (!Array.isArray(one) || one.length === (other as unknown[]).length)

/**
 * Take over what the server changed since `base` was sent, and leave alone what was typed meanwhile; only what differs
 * is touched, so that only that is drawn again.
 */
function patch(
  target: Record<string, unknown>,
  source: Record<string, unknown>,
  base: Record<string, unknown>,
) {
  for (const key of Object.keys(target))
    if (!(key in source) && same(target[key], base[key])) delete target[key]
  for (const [key, value] of Object.entries(source)) {
    const old = target[key]
    const before = base[key]
    if (isGroup(old) && isGroup(value) && isGroup(before) && kin(old, value) && kin(old, before)) {
      patch(old, value, before)
    } else if (same(old, before) && !same(old, value)) target[key] = value
  }
}

/** One thing to be done to the formula beside what stands in the fields. */
interface Deed {
  change: Change | null
  yeast_kind: YeastKind | null
}

/** A formula in hand, written by percent or by grams; the server keeps both sides and the lock in step. */
export function useWork(start: Body, tinFill: number) {
  const form = ref<Body>(copy(start))
  const lock = ref<Lock>({
    kind: 'pieces',
    g: 0,
    flour_key: '',
    tin_ml: 1900,
    g_per_ml: tinFill,
    tin_cm: null,
    diameter_cm: 30,
    thickness_mm: 0,
  })
  const seen = shallowRef<FormulaAnswer | null>(null)
  const refused = shallowRef<Refused | null>(null)
  /** What was done by hand and is still to be worked out, each in its turn: none is lost to the next. */
  const deeds: Deed[] = []
  const agreed = ref('')
  const state = computed(() => JSON.stringify([form.value, lock.value]))
  const pending = computed(() => agreed.value !== state.value)
  let running: Promise<void> | null = null

  async function settle() {
    while (deeds.length || pending.value) {
      const about = state.value
      const base = copy(form.value)
      const deed = deeds.shift() ?? { change: null, yeast_kind: null }
      try {
        const found = await ask(
          api.POST('/api/formulas/work', { body: { formula: base, lock: lock.value, ...deed } }),
        )
        seen.value = found
        refused.value = null
        const untouched = about === state.value
        patch(
          form.value as Record<string, unknown>,
          copy(found.formula) as unknown as Record<string, unknown>,
          base as unknown as Record<string, unknown>,
        )
        agreed.value = untouched && !deeds.length ? state.value : ''
      } catch (error) {
        refused.value = asRefused(error)
        agreed.value = about
      }
    }
  }
  function go(): Promise<void> {
    running ??= settle().finally(() => (running = null))
    return running
  }
  watch(state, () => void go(), { immediate: true })

  /** One line by its grams in the whole batch, or by its share (0-1) of the dough. */
  function set(change: Change) {
    deeds.push({ change, yeast_kind: null })
    void go()
  }
  function takeYeast(yeast_kind: YeastKind) {
    deeds.push({ change: null, yeast_kind })
    void go()
  }
  /** The formula once all that was typed is worked into it; null if some of it was refused. */
  async function current(): Promise<Body | null> {
    while (deeds.length || pending.value) await go()
    return refused.value ? null : copy(form.value)
  }
  const lines = computed(() => new Map(seen.value?.totals.map((total) => [total.line, total])))
  const grams = (line: string) => lines.value.get(line)?.g ?? 0

  return { form, lock, seen, refused, pending, set, takeYeast, current, grams }
}
