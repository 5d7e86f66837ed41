import { keepPreviousData, useQuery } from '@tanstack/vue-query'
import { computed, reactive, ref } from 'vue'
import { api, ask, type Schemas } from '../api/client'

export type FormulaLine = Schemas['FormulaLine']

/** Lines that were seen, by key: what is chosen keeps its name while others are looked for. */
const known = reactive(new Map<string, FormulaLine>())

/** Formulas to choose from: the first of them, and by a part of its name any other. */
export function useFormulas() {
  const name = ref('')
  const query = useQuery({
    queryKey: ['formulas', 'lines', name],
    queryFn: async () => {
      const found = await ask(api.GET('/api/formulas', { params: { query: { name: name.value.trim() } } }))
      for (const line of found.formulas) known.set(line.id, line)
      return found
    },
    placeholderData: keepPreviousData,
  })
  const lines = computed(() => query.data.value?.formulas ?? [])
  const more = computed(() => query.data.value?.more ?? false)
  /** A line that is shown, or was. */
  const lineOf = (id: string | null | undefined) => (id ? known.get(id) : undefined)
  return { query, name, lines, more, lineOf }
}

/** One formula, whole. */
export function useFormula(id: () => string | null) {
  return useQuery({
    queryKey: ['formulas', 'one', computed(id)],
    queryFn: () => ask(api.GET('/api/formulas/{key}', { params: { path: { key: id()! } } })),
    enabled: () => id() !== null,
  })
}

/** What a list shows of a formula. */
export const asLine = (found: Schemas['FormulaAnswer']): FormulaLine => ({
  ...found.formula,
  id: found.id,
  leaven: found.leaven,
  feel: found.feel.word,
  mixing: found.mixing,
  preferments: found.formula.preferments.length,
  version: found.version ?? 0,
})
