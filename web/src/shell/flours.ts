import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, ask } from '../api/client'

/** The kinds of flour and their names, as the server tells them with its formulas. */
export function useFlours() {
  const query = useQuery({ queryKey: ['formulas'], queryFn: () => ask(api.GET('/api/formulas')) })
  const names = computed<Record<string, string>>(() => query.data.value?.flours ?? {})
  const options = computed(() => Object.entries(names.value).map(([value, label]) => ({ value, label })))
  return { names, options }
}
