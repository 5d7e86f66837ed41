import { useQueryClient } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { api, ask, Refused, type Asked, type Mend, type PlanAnswer, type SavedPlan } from '../../api/client'
import { newKey } from '../../shell/keys'
import { words } from '../../words'

const DRAFT = 'gentle-crust.draft'

interface Draft {
  asked: Asked
  id: string | null
}

function stored(): Draft | null {
  try {
    const draft = JSON.parse(localStorage.getItem(DRAFT) ?? 'null') as Draft | null
    return draft && typeof draft.asked?.formula_id === 'string' ? draft : null
  } catch {
    return null
  }
}

/** A question with nothing but the formula settled. */
const about = (formula: string): Asked => ({
  formula_id: formula,
  culture: 'lively',
  ready_means: 'out',
  fridge_days: 0,
  school: 'by_dough',
  later_pieces: 0,
  later_days: 1,
  yeast_supplement_percent: 0,
})

/** The plan in hand: what is asked, the server's answer, and the one saved behind it. The newest question wins. */
export function usePlan() {
  const route = useRoute()
  const router = useRouter()
  const client = useQueryClient()
  const asked = shallowRef<Asked | null>(null)
  const answer = shallowRef<PlanAnswer | SavedPlan | null>(null)
  const refused = shallowRef<Refused | null>(null)
  const id = ref<string | null>(null)
  const dirty = ref(false)
  const saving = ref(false)
  const mends = shallowRef<Mend[] | null>(null)
  let asking = false
  let waiting = false
  let epoch = 0
  /** Whoever is on the way to another room is not called back by an answer that comes late. */
  let leaving = false
  onScopeDispose(router.beforeEach((to) => void (leaving = !to.path.startsWith('/plan'))))

  function keep() {
    if (asked.value) localStorage.setItem(DRAFT, JSON.stringify({ asked: asked.value, id: id.value }))
  }

  async function reckon() {
    if (asking) {
      waiting = true
      return
    }
    asking = true
    do {
      waiting = false
      const mine = epoch
      const body = asked.value!
      try {
        const found = await ask(api.POST('/api/plan', { body }))
        if (mine === epoch) {
          answer.value = found
          if (!waiting && body === asked.value) asked.value = found.asked as Asked
          refused.value = null
        }
      } catch (error) {
        if (mine === epoch) refused.value = error instanceof Refused ? error : new Refused(words.failed, [])
      }
    } while (waiting)
    asking = false
  }

  function change(part: Partial<Asked>) {
    if (!asked.value) return
    asked.value = { ...asked.value, ...part }
    dirty.value = true
    keep()
    void reckon()
  }

  /** Another formula brings its own pieces, warmth, vessel and proof; the rest of the wish stays. */
  function takeFormula(formula: string) {
    if (!asked.value) return start(about(formula))
    change({
      formula_id: formula,
      pieces: undefined,
      later_pieces: 0,
      scaling_weight_g: undefined,
      dough_c: undefined,
      vessel_id: undefined,
      proof: undefined,
      levain_percent: undefined,
      yeast_supplement_percent: 0,
      yeast_percent: undefined,
      culture_id: undefined,
      folds: undefined,
      version: undefined,
    })
  }

  function start(first: Asked, saved: string | null = null) {
    epoch += 1
    answer.value = null
    refused.value = null
    asked.value = first
    id.value = saved
    dirty.value = true
    keep()
    void reckon()
  }

  async function open(key: string) {
    epoch += 1
    const mine = epoch
    try {
      const found = await ask(api.GET('/api/plans/{key}', { params: { path: { key } } }))
      if (mine !== epoch) return
      const draft = stored()
      answer.value = found
      id.value = found.id
      refused.value = null
      dirty.value = false
      asked.value = found.asked as Asked
      if (draft?.id === key && JSON.stringify(draft.asked) !== JSON.stringify(found.asked)) {
        asked.value = draft.asked
        dirty.value = true
        void reckon()
      }
      keep()
    } catch (error) {
      if (mine === epoch) refused.value = error instanceof Refused ? error : new Refused(words.failed, [])
    }
  }

  /** Without anything in hand: the next saved plan, else the first formula. */
  async function begin() {
    const draft = stored()
    if (draft?.id) return void router.replace(`/plan/${draft.id}`)
    if (draft) return start(draft.asked)
    try {
      const [{ plans }, { formulas }] = await Promise.all([
        ask(api.GET('/api/plans')),
        ask(api.GET('/api/formulas')),
      ])
      const coming = plans.filter((plan) => plan.next_step).sort((a, b) => a.ready.localeCompare(b.ready))[0]
      if (leaving) return
      if (coming) return void router.replace(`/plan/${coming.id}`)
      if (formulas[0]) return start(about(formulas[0].id))
      refused.value = new Refused(words.plan.noFormulas, [])
    } catch (error) {
      refused.value = error instanceof Refused ? error : new Refused(words.failed, [])
    }
  }

  async function save() {
    if (!asked.value || saving.value) return
    saving.value = true
    const key = id.value ?? newKey()
    try {
      const found = await ask(api.PUT('/api/plans/{key}', { params: { path: { key } }, body: asked.value }))
      answer.value = found
      asked.value = found.asked as Asked
      id.value = key
      dirty.value = false
      keep()
      await client.invalidateQueries({ queryKey: ['plans'] })
      if (route.params.id !== key) await router.replace(`/plan/${key}`)
    } catch (error) {
      refused.value = error instanceof Refused ? error : new Refused(words.failed, [])
    } finally {
      saving.value = false
    }
  }

  /** Leave the saved plan as it is and begin another with the same formula. */
  function another() {
    const formula = asked.value?.formula_id
    localStorage.removeItem(DRAFT)
    id.value = null
    if (formula) start(about(formula))
    void router.replace('/plan')
  }

  let timer: ReturnType<typeof setTimeout> | undefined
  watch([answer, asked], () => {
    clearTimeout(timer)
    mends.value = null
    const plan = answer.value?.plan
    if (!plan?.problems.length || !asked.value) return
    const body = asked.value
    timer = setTimeout(() => {
      ask(api.POST('/api/plan/mends', { body }))
        .then((found) => {
          if (asked.value === body) mends.value = found.mends
        })
        .catch(() => (mends.value = []))
    }, 500)
  })
  onScopeDispose(() => clearTimeout(timer))

  watch(
    () => [route.name, route.params.id, route.query.formula] as const,
    ([name, key, formula]) => {
      if (name === 'saved' && typeof key === 'string') {
        if (key !== id.value || !answer.value) void open(key)
      } else if (name === 'plan' && typeof formula === 'string') {
        localStorage.removeItem(DRAFT)
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
    saving,
    mends,
    change,
    takeFormula,
    save,
    another,
    reckon,
  }
}
