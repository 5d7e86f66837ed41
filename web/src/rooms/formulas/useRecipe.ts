import { useQueryClient } from '@tanstack/vue-query'
import { computed, reactive, ref, watch } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import { useKitchen } from '../../shell/kitchen'
import { useNewest } from '../../shell/newest'

type Habits = Schemas['HabitsBody']
type ItemFix = Schemas['ItemFixBody']
const DRAFT = 'gentle-crust.paste'
const FIXES = 'gentle-crust.paste.fixes'
const PLAIN: Habits = { cup_ml: 236.6, flour: 'unknown', salt: 'unknown', liquid_ounces: 'ask' }

function drafted<T>(key: string, otherwise: T): T {
  try {
    return JSON.parse(localStorage.getItem(key) ?? '') as T
  } catch {
    return otherwise
  }
}

/** A pasted recipe, how its baker measures, what they put right, and the newest reading of all that. */
export function useRecipe() {
  const client = useQueryClient()
  const { settings } = useKitchen()
  const name = ref('')
  const text = ref(localStorage.getItem(DRAFT) ?? '')
  const fixes = reactive(
    drafted<{ items: ItemFix[]; sentences: Schemas['SentenceFixBody'][] }>(FIXES, {
      items: [],
      sentences: [],
    }),
  )
  const habits = reactive<Habits>({ ...PLAIN })
  const known = ref(false)
  watch(
    settings,
    (found) => {
      if (!found || known.value) return
      Object.assign(habits, found.measures)
      known.value = true
    },
    { immediate: true },
  )
  /** How a baker measures is the kitchen's to keep. */
  async function keepMeasures() {
    const found = await ask(api.PUT('/api/kitchen/measures', { body: { ...habits } }))
    client.setQueryData(['kitchen'], found)
  }
  watch([text, fixes], () => {
    localStorage.setItem(DRAFT, text.value)
    localStorage.setItem(FIXES, JSON.stringify(fixes))
  })
  const asking = useNewest(
    () =>
      known.value && text.value.trim()
        ? {
            name: name.value,
            text: text.value,
            habits: { ...habits },
            items: [...fixes.items],
            sentences: [...fixes.sentences],
          }
        : null,
    (body) => ask(api.POST('/api/recipe/read', { body })),
    { wait: 250 },
  )

  const itemFix = (said: string) => fixes.items.find((each) => each.text === said)
  function putItemRight(said: string, change: Partial<ItemFix>) {
    const old = itemFix(said)
    if (old) Object.assign(old, change)
    else fixes.items.push({ text: said, stage: null, g: null, yeast: null, out: false, ...change })
  }
  function forgetItem(said: string) {
    fixes.items = fixes.items.filter((each) => each.text !== said)
  }
  const sentenceFix = (said: string) => fixes.sentences.find((each) => each.text === said)?.kind ?? ''
  function putSentenceRight(said: string, kind: string) {
    fixes.sentences = fixes.sentences.filter((each) => each.text !== said)
    if (kind) fixes.sentences.push({ text: said, kind })
  }
  const leftOut = computed(() => fixes.items.filter((each) => each.out && text.value.includes(each.text)))
  function done() {
    localStorage.removeItem(DRAFT)
    localStorage.removeItem(FIXES)
  }
  return {
    name,
    text,
    habits,
    keepMeasures,
    asking,
    itemFix,
    putItemRight,
    forgetItem,
    sentenceFix,
    putSentenceRight,
    leftOut,
    done,
  }
}

export type ReadRecipe = ReturnType<typeof useRecipe>

/** A stage as the recipe calls it: poolish, biga; of a kind that needs no name of its own, its kind. */
export const calledStage = (stage: Schemas['RecipeStage']) =>
  stage.kind === 'preferment' && stage.id !== stage.kind ? stage.id.replace(/[-_]/g, ' ') : stage.name
