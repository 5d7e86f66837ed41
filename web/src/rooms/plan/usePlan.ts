import { useQueryClient } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import {
  api,
  ask,
  ifMatch,
  Refused,
  type Asked,
  type Changed,
  type Mend,
  type PlanAnswer,
  type SavedPlan,
} from '../../api/client'
import { newKey } from '../../shell/keys'
import { asRefused, useNewest } from '../../shell/newest'
import { words } from '../../words'
import { about, forgetDraft, keepDraft, storedDraft } from './draft'

/** The plan in hand: what is asked, the server's answer, and the one saved behind it. The newest question wins. */
export function usePlan() {
  const route = useRoute()
  const router = useRouter()
  const client = useQueryClient()
  const asked = shallowRef<Asked | null>(null)
  /** The saved plan that is open, as it was shown; what is changed since is reckoned beside it. */
  const saved = shallowRef<SavedPlan | null>(null)
  const id = ref<string | null>(null)
  const dirty = ref(false)
  const saving = ref(false)
  const failed = shallowRef<Refused | null>(null)
  const clash = shallowRef<Changed | null>(null)
  let epoch = 0
  /** How often something was changed by hand: an answer that only completes the question is no change. */
  let edits = 0
  /** Whoever is on the way to another room is not called back by an answer that comes late. */
  let leaving = false
  onScopeDispose(router.beforeEach((to) => void (leaving = !to.path.startsWith('/plan'))))

  const made = useNewest(
    () => (dirty.value ? asked.value : null),
    (body) => ask(api.POST('/api/plan', { body, params: { query: { plan: id.value ?? '' } } })),
    { complete: (found) => (asked.value = found.asked as Asked) },
  )
  const answer = computed<PlanAnswer | SavedPlan | null>(() => made.answer.value ?? saved.value)
  const refused = computed(() => failed.value ?? made.refused.value)
  const pending = computed(() => dirty.value && made.pending.value)

  function keep() {
    if (asked.value) keepDraft({ asked: asked.value, id: id.value })
  }

  function change(part: Partial<Asked>) {
    if (!asked.value) return
    asked.value = { ...asked.value, ...part }
    edits += 1
    failed.value = null
    dirty.value = true
    keep()
  }

  /** Another formula brings its own pieces, warmth, vessel and way; the rest of the wish stays. */
  function takeFormula(formula: string) {
    if (!asked.value) return start(about(formula))
    change({
      formula_id: formula,
      pieces: undefined,
      later_pieces: 0,
      scaling_weight_g: undefined,
      dough_c: undefined,
      vessel_id: undefined,
      style: undefined,
      method: undefined,
      fridge_days: 0,
      levain_percent: undefined,
      yeast_supplement_percent: 0,
      yeast_percent: undefined,
      culture_id: undefined,
      folds: undefined,
      version: undefined,
    })
  }

  function start(first: Asked) {
    epoch += 1
    saved.value = null
    failed.value = null
    asked.value = first
    id.value = null
    dirty.value = true
    keep()
  }

  function take(found: SavedPlan) {
    saved.value = found
    id.value = found.id
    failed.value = null
    dirty.value = false
    asked.value = found.asked as Asked
  }

  async function open(key: string) {
    epoch += 1
    const mine = epoch
    try {
      const found = await ask(api.GET('/api/plans/{key}', { params: { path: { key } } }))
      if (mine !== epoch) return
      const draft = storedDraft()
      take(found)
      if (draft?.id === key && JSON.stringify(draft.asked) !== JSON.stringify(found.asked)) {
        asked.value = draft.asked
        dirty.value = true
      }
      keep()
    } catch (error) {
      if (mine === epoch) failed.value = asRefused(error)
    }
  }

  /** Look at the saved plan anew: something about it was changed elsewhere. */
  async function reopen() {
    if (id.value) await open(id.value)
  }

  /** Without anything in hand: the next saved plan, else the first formula. */
  async function begin() {
    const draft = storedDraft()
    if (draft?.id) return void router.replace(`/plan/${draft.id}`)
    if (draft) return start(draft.asked)
    try {
      const [{ plans }, { formulas }] = await Promise.all([
        ask(api.GET('/api/plans', { params: { query: { baked: false } } })),
        ask(api.GET('/api/formulas', { params: { query: {} } })),
      ])
      const coming = plans.filter((plan) => plan.next_step).sort((a, b) => a.ready.localeCompare(b.ready))[0]
      if (leaving) return
      if (coming) return void router.replace(`/plan/${coming.id}`)
      if (formulas[0]) return start(about(formulas[0].id))
      failed.value = new Refused(words.plan.noFormulas, [])
    } catch (error) {
      failed.value = asRefused(error)
    }
  }

  /** Save what stands in the fields now; whatever is changed while it is on its way stays changed, and unsaved. */
  async function save(over?: string) {
    const body = asked.value
    if (!body || saving.value) return
    saving.value = true
    const before = edits
    const key = id.value ?? newKey()
    const etag = over ?? (saved.value?.id === key ? saved.value.etag : undefined)
    try {
      const call = { params: { path: { key } }, body, headers: ifMatch(etag) }
      const found = await ask(api.PUT('/api/plans/{key}', call))
      clash.value = null
      if (edits === before) take(found)
      else [saved.value, id.value] = [found, key]
      keep()
      await client.invalidateQueries({ queryKey: ['plans'] })
      if (!leaving && route.params.id !== key) await router.replace(`/plan/${key}`)
    } catch (error) {
      if (error instanceof Refused && error.changed) clash.value = error.changed
      else failed.value = asRefused(error)
    } finally {
      saving.value = false
    }
  }
  /** Save over what somebody else saved, with what was chosen of both. */
  function settle(chosen: Record<string, unknown>) {
    const etag = clash.value?.etag
    clash.value = null
    change(chosen as Partial<Asked>)
    void save(etag)
  }
  /** Bring back the plan as it was before it was saved over. */
  async function undo() {
    const key = id.value
    if (!key) return
    try {
      take(await ask(api.POST('/api/plans/{key}/undo', { params: { path: { key } } })))
      keep()
      await client.invalidateQueries({ queryKey: ['plans'] })
    } catch (error) {
      failed.value = asRefused(error)
    }
  }

  /** Leave the saved plan as it is and begin another with the same formula. */
  function another() {
    const formula = asked.value?.formula_id
    forgetDraft()
    id.value = null
    if (formula) start(about(formula))
    void router.replace('/plan')
  }

  const mending = useNewest(
    () => (!pending.value && answer.value?.plan.problems.length ? asked.value : null),
    (body) => ask(api.POST('/api/plan/mends', { body, params: { query: { plan: id.value ?? '' } } })),
    { wait: 500 },
  )
  const mends = computed<Mend[] | null>(() =>
    mending.pending.value ? null : (mending.answer.value?.mends ?? (mending.refused.value ? [] : null)),
  )

  watch(
    () => [route.name, route.params.id, route.query.formula] as const,
    ([name, key, formula]) => {
      if (name === 'saved' && typeof key === 'string') {
        if (key !== id.value || !answer.value) void open(key)
      } else if (name === 'plan' && typeof formula === 'string') {
        forgetDraft()
        start(about(formula))
        void router.replace('/plan')
      } else if (name === 'plan' && !asked.value) void begin()
    },
    { immediate: true },
  )

  /** The saved plan with what was read of its dough since; null while it is being changed. */
  const kept = computed(() => {
    const found = answer.value
    return !dirty.value && found && 'readings' in found ? found : null
  })
  const shown = computed(() => kept.value?.followed ?? answer.value?.plan ?? null)
  const fieldErrors = computed(() => {
    const found: Record<string, string> = {}
    for (const error of refused.value?.errors ?? []) found[error.field] = `${error.sentence} ${error.remedy}`
    return found
  })

  return {
    asked,
    answer,
    kept,
    shown,
    refused,
    fieldErrors,
    id,
    dirty,
    pending,
    saving,
    clash,
    mends,
    change,
    takeFormula,
    save,
    settle,
    undo,
    another,
    reopen,
    take,
    reckon: made.again,
  }
}
