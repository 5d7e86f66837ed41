import { computed, ref, type Ref } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import { useNewest } from '../../shell/newest'

export type Loaf = Schemas['OvenLoafBody']
export type Stage = Schemas['OvenStageBody']
export type Way = Schemas['OvenWayAnswer']
export type Baked = Schemas['OvenBakeAnswer']
export type Chosen = { vessel_id: string; preheated: Way['preheated']; steam: string[] }

export type Poured = Schemas['OvenSteamBody']

export type Preheated = Schemas['OvenBakeAnswer']['may_be_heated'][number]
/** A loaf, the ways to bake it, the one that is chosen, and that one as the baker altered it. */
export function useOven(loaf: Ref<Loaf>) {
  const chosen = ref<Chosen | null>(null)
  const stages = ref<Stage[]>([])
  const preheat = ref<number | null>(null)
  /** Ways to steam with amounts and moments of the baker's own. */
  const poured = ref<Poured[]>([])
  /** What the paper of this bake bears, C; null: as the kitchen's. */
  const paper = ref<number | null>(null)

  const body = computed(() => ({
    loaf: loaf.value,
    vessel_id: chosen.value?.vessel_id ?? '',
    preheated: (chosen.value?.preheated ?? null) as Preheated | null,
    steam: chosen.value?.steam ?? null,
    stages: stages.value,
    preheat_min: preheat.value,
    poured: poured.value,
    paper_c: paper.value,
  }))
  const baking = useNewest(
    () => (chosen.value ? body.value : null),
    (asked) => ask(api.POST('/api/oven/bake', { body: asked })),
  )
  const schooling = useNewest(
    () => (chosen.value ? { ...body.value, stages: [], preheat_min: null, poured: [] } : null),
    (asked) => ask(api.POST('/api/oven/schools', { body: asked })),
  )
  const ranking = useNewest(
    () => loaf.value,
    (asked) => ask(api.POST('/api/oven/rank', { body: asked })),
    {
      complete: (answer) => {
        const fit = answer.ways.filter((way) => !way.unfit)
        const same = fit.find((way) => chosen.value && keyOf(way) === keyOf(chosen.value))
        // What is hot may be the baker's own choice: the way stays while its vessel fits.
        const own = fit.some((way) => way.vessel_id === chosen.value?.vessel_id)
        const first = same ?? (own ? chosen.value : fit[0])
        if (first) choose(first)
        else chosen.value = null
      },
    },
  )
  const baked = baking.answer
  const ways = computed(() => ranking.answer.value?.ways ?? null)
  const schools = computed(() => (schooling.pending.value ? null : (schooling.answer.value?.schools ?? null)))
  const refused = computed(() => baking.refused.value?.message ?? '')
  const unranked = computed(() => ranking.refused.value?.message ?? '')
  const keyOf = (way: Chosen | Way) => [way.vessel_id, way.preheated, ...way.steam].join('+')

  function choose(way: Chosen | Way) {
    chosen.value = { vessel_id: way.vessel_id, preheated: way.preheated, steam: [...way.steam] }
    usual()
  }
  /** Back to the bake as it is drawn up. */
  function usual() {
    stages.value = []
    preheat.value = null
    poured.value = []
  }
  /** The same vessel and steam, with something else of it hot when it is loaded. */
  function hot(preheated: Preheated) {
    if (chosen.value) choose({ ...chosen.value, preheated })
  }
  /** A bake that the baker named is the one that is chosen, altered as it was kept. */
  function take(own: Schemas['MyBake']) {
    chosen.value = {
      vessel_id: own.vessel_id,
      preheated: own.preheated,
      steam: own.steam.map((each) => each.kind),
    }
    poured.value = own.steam.map((each) => ({ ...each }))
    stages.value = own.stages.map((stage) => ({ ...stage }))
    preheat.value = own.preheat_min
  }
  /** The oven is known otherwise than before: everything that was reckoned with it is asked anew. */
  const again = () => Promise.all([baking.again(), ranking.again(), schooling.again()])
  function alter(next: Stage[]) {
    stages.value = next
  }
  /** One way to steam with another amount, or at another minute. */
  function pour(one: Poured) {
    poured.value = [...poured.value.filter((each) => each.kind !== one.kind), one]
  }
  function heat(minutes: number) {
    preheat.value = minutes
    if (!stages.value.length && baked.value && !baking.pending.value) {
      stages.value = baked.value.stages.map((stage) => ({ ...stage }))
    }
  }

  return {
    ways,
    chosen,
    stages,
    preheat,
    poured,
    paper,
    baked,
    schools,
    refused,
    unranked,
    pending: baking.pending,
    body,
    keyOf,
    choose,
    hot,
    take,
    usual,
    again,
    alter,
    pour,
    heat,
  }
}
