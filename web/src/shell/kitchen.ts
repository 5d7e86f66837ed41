import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { api, ask, type Schemas } from '../api/client'
import { useKept } from './kept'

const now = ref(Date.now())

/** The kitchen's habits, its time zone, and the time it is there. */
export function useKitchen() {
  const query = useQuery({ queryKey: ['kitchen'], queryFn: () => ask(api.GET('/api/kitchen')) })
  return {
    query,
    settings: computed(() => query.data.value?.settings),
    kinds: computed(() => query.data.value?.vessel_kinds ?? {}),
  }
}

/** The kitchen in a form; plans and formulas are asked for anew once it is saved. */
export function useKitchenForm() {
  const client = useQueryClient()
  const { query } = useKitchen()
  return useKept(
    query.data,
    (answer) => answer.settings as Schemas['KitchenBody'],
    (body, headers) => ask(api.PUT('/api/kitchen', { body, headers })),
    () => ask(api.POST('/api/kitchen/undo')),
    (answer) => {
      client.setQueryData(['kitchen'], answer)
      for (const queryKey of [['formulas'], ['plans']]) void client.invalidateQueries({ queryKey })
    },
  )
}

/** The server's clock, ticking here by the second, as fast as the server's own. */
export function useNow() {
  const { query } = useKitchen()
  let heard = { at: Date.now(), says: Date.now(), rate: 1 }
  watch(
    query.data,
    (answer) => {
      if (!answer) return
      heard = { at: Date.now(), says: Date.parse(answer.now), rate: answer.rate }
      now.value = heard.says
    },
    { immediate: true },
  )
  const timer = setInterval(() => {
    if (query.data.value && heard.rate) now.value = heard.says + heard.rate * (Date.now() - heard.at)
  }, 1000)
  onScopeDispose(() => clearInterval(timer))
  return now
}
