import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref, type Ref } from 'vue'
import { api, ask, Refused, type Schemas } from '../../api/client'
import { newKey } from '../../shell/keys'
import { words } from '../../words'

export type CultureView = Schemas['CultureView']
export type EventBody = Partial<Schemas['EventBody']> & Pick<Schemas['EventBody'], 'kind'>
type Answer = { data?: { culture: CultureView }; error?: unknown }

/** What an event leaves unsaid. */
export const BLANK = { note: '', smell_words: '', also_flours: [] }

export const said = (error: unknown) =>
  error instanceof Refused && error.message ? error.message : words.failed

/** One culture as it lives now, and what can be done with it; the last thing written down can be taken back. */
export function useCulture(id: Ref<string>) {
  const client = useQueryClient()
  const query = useQuery({
    queryKey: ['culture', id],
    queryFn: () => ask(api.GET('/api/cultures/{key}', { params: { path: { key: id.value } } })),
    refetchInterval: 60_000,
  })
  const problem = ref('')
  const last = ref<{ event: string; kind: string } | null>(null)

  async function take(call: Promise<Answer>): Promise<boolean> {
    try {
      const found = await ask(call)
      client.setQueryData(['culture', id.value], found)
      problem.value = ''
      for (const queryKey of [['cultures'], ['plans', 'next']]) void client.invalidateQueries({ queryKey })
      return true
    } catch (error) {
      problem.value = said(error)
      return false
    }
  }

  let pending: { body: string; event: string } | null = null
  /** Write an event down; a second try of the same one carries the same key, so that it is never kept twice. */
  async function log(body: EventBody): Promise<boolean> {
    const written = JSON.stringify(body)
    if (pending?.body !== written) pending = { body: written, event: newKey() }
    const { event } = pending
    const path = { key: id.value, event }
    const done = await take(
      api.PUT('/api/cultures/{key}/events/{event}', {
        params: { path },
        body: { seed_g: 0, flour_g: 0, water_g: 0, ...BLANK, ...body },
      }),
    )
    if (done) {
      last.value = { event, kind: body.kind }
      pending = null
    }
    return done
  }

  async function takeBack(event: string) {
    const path = { key: id.value, event }
    if (await take(api.DELETE('/api/cultures/{key}/events/{event}', { params: { path } }))) last.value = null
  }
  const bringIn = (event: string) =>
    take(
      api.POST('/api/cultures/{key}/events/{event}/restore', { params: { path: { key: id.value, event } } }),
    )

  return {
    query,
    culture: computed(() => query.data.value?.culture ?? null),
    problem,
    last,
    take,
    log,
    takeBack,
    bringIn,
  }
}
