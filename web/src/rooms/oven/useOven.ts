import { computed, ref, shallowRef, watch, type Ref } from 'vue'
import { api, ask, Refused, type Schemas } from '../../api/client'
import { words } from '../../words'

export type Loaf = Schemas['OvenLoafBody']
export type Stage = Schemas['OvenStageBody']
export type Way = Schemas['OvenWayAnswer']
export type Baked = Schemas['OvenBakeAnswer']
export type Chosen = { vessel_id: string; preheated: Way['preheated']; steam: string[] }

type Preheated = 'whole' | 'lid' | 'none'
const said = (error: unknown) =>
  error instanceof Refused
    ? error.message || words.failed
    : error instanceof Error
      ? words.failed
      : words.failed

/** Asks with the newest input only: while one answer is awaited, all but the last question are dropped. */
function latest<T>(question: () => Promise<T>, found: (value: T) => void, failed: (text: string) => void) {
  let asking = false
  let again = false
  return async function run() {
    again = true
    if (asking) return
    asking = true
    while (again) {
      again = false
      try {
        found(await question())
        failed('')
      } catch (error) {
        failed(said(error))
      }
    }
    asking = false
  }
}

/** A loaf, the ways to bake it, the one that is chosen, and that one as the baker altered it. */
export function useOven(loaf: Ref<Loaf>) {
  const ways = shallowRef<Way[] | null>(null)
  const chosen = ref<Chosen | null>(null)
  const stages = ref<Stage[]>([])
  const preheat = ref<number | null>(null)
  const baked = shallowRef<Baked | null>(null)
  const schools = shallowRef<Schemas['School'][] | null>(null)
  const refused = ref('')
  const unranked = ref('')

  const body = computed(() => ({
    loaf: loaf.value,
    vessel_id: chosen.value?.vessel_id ?? '',
    preheated: (chosen.value?.preheated ?? null) as Preheated | null,
    steam: chosen.value?.steam ?? null,
    stages: stages.value,
    preheat_min: preheat.value,
  }))
  const askBake = latest(
    () => ask(api.POST('/api/oven/bake', { body: body.value })),
    (answer) => (baked.value = answer),
    (text) => (refused.value = text),
  )
  const askSchools = latest(
    () => ask(api.POST('/api/oven/schools', { body: { ...body.value, stages: [], preheat_min: null } })),
    (answer) => (schools.value = answer.schools),
    () => undefined,
  )
  const askWays = latest(
    () => ask(api.POST('/api/oven/rank', { body: loaf.value })),
    (answer) => {
      ways.value = answer.ways
      const same = answer.ways.find((way) => !way.unfit && chosen.value && keyOf(way) === keyOf(chosen.value))
      const first = same ?? answer.ways.find((way) => !way.unfit)
      if (first) choose(first)
      else baked.value = null
    },
    (text) => (unranked.value = text),
  )
  const keyOf = (way: Chosen | Way) => [way.vessel_id, way.preheated, ...way.steam].join('+')

  function choose(way: Chosen | Way) {
    chosen.value = { vessel_id: way.vessel_id, preheated: way.preheated, steam: [...way.steam] }
    usual()
  }
  /** Back to the bake as it is drawn up. */
  function usual() {
    stages.value = []
    preheat.value = null
    schools.value = null
    void askBake()
    void askSchools()
  }
  function alter(next: Stage[]) {
    stages.value = next
    void askBake()
  }
  function heat(minutes: number) {
    preheat.value = minutes
    if (!stages.value.length && baked.value) stages.value = baked.value.stages.map((stage) => ({ ...stage }))
    void askBake()
  }
  watch(loaf, () => void askWays(), { deep: true, immediate: true })

  return {
    ways,
    chosen,
    stages,
    preheat,
    baked,
    schools,
    refused,
    unranked,
    body,
    keyOf,
    choose,
    usual,
    alter,
    heat,
  }
}
