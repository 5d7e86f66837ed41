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

/** What the first of several flours makes up: all that the others leave, %. */
export const restOf = (also: { percent: number }[]) => 100 - also.reduce((sum, each) => sum + each.percent, 0)

/** The kinds of flour and their names, as the server tells them. */
export function useFlours() {
  const query = useIngredients()
  const names = computed<Record<string, string>>(() => query.data.value?.flours ?? {})
  const options = computed(() => Object.entries(names.value).map(([value, label]) => ({ value, label })))
  /** A mix of flours in words: its shares where there are several. */
  function mixed(of: { flour_kind?: string | null; also_flours: { kind: string; percent: number }[] }) {
    const name = (kind: string) => names.value[kind] ?? ''
    if (!of.flour_kind) return ''
    if (!of.also_flours.length) return name(of.flour_kind)
    const parts = [{ kind: of.flour_kind, percent: restOf(of.also_flours) }, ...of.also_flours]
    return parts.map((each) => `${name(each.kind)} ${Math.round(each.percent)} %`).join(', ')
  }
  return { names, options, mixed }
}
