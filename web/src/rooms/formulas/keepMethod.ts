import { useQueryClient } from '@tanstack/vue-query'
import { api, ask, ifMatch, type Schemas } from '../../api/client'
import type { Method } from './useMethod'

/** Keeps a method with a formula as that stands now, and says its name; a change that came between is not written over. */
export function useKeepMethod() {
  const client = useQueryClient()
  return async function keep(key: string, method: Method | null): Promise<string> {
    const call = { params: { path: { key } } }
    const found = await ask(api.GET('/api/formulas/{key}', call))
    const body = { ...found.formula, method } as unknown as Schemas['FormulaBody']
    await ask(api.PUT('/api/formulas/{key}', { ...call, body, headers: ifMatch(found.version) }))
    await client.invalidateQueries({ queryKey: ['formulas'] })
    return found.formula.name
  }
}
