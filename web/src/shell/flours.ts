import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, ask } from '../api/client'

/** Names of flours, and what a new formula or preferment begins from: it changes with the pantry alone. */
export const useIngredients = () =>
  useQuery({
    queryKey: ['formulas', 'ingredients'],
    queryFn: () => ask(api.GET('/api/ingredients')),
    staleTime: 300_000,
  })

/** The kinds of flour and their names, as the server tells them. */
export function useFlours() {
  const query = useIngredients()
  const names = computed<Record<string, string>>(() => query.data.value?.flours ?? {})
  const options = computed(() => Object.entries(names.value).map(([value, label]) => ({ value, label })))
  return { names, options }
}
