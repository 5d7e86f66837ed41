import { computed, ref, type Ref } from 'vue'
import { api, ask, type Asked, type Schemas } from '../../api/client'
import { useNewest } from '../../shell/newest'
import { words } from '../../words'
import type { Body } from './useWork'

export type Method = NonNullable<Body['method']>
export type Stage = Method['stages'][number]
export type Shown = Schemas['MethodStage']
export type Kind = Schemas['MethodKind']
type Stages = Stage[]

const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
const kinds = (method: Method) =>
  [method, ...(method.parts ?? [])].map((way) => way.stages!.map((each) => each.kind))

const BARE = {
  id: '', name: '', minutes: 0, work_min: 0, place: 'room', until: '', folds: [], dough_c: null, rise: null, why: {}, ends: {},
} // prettier-ignore
const KIND: Kind = { kind: '', takes: [], ends: {}, begins: null, stays: false, moves: true }

/** The plan that a method is changed in: its stages are as long as they are there. */
export interface OfPlan {
  asked: Asked
  plan: string
}

/** How the formula in hand is made: asked of the server stage by stage, and changed where it is written. */
export function useMethod(form: Ref<Body>, begins: string | null = null, ofPlan?: Ref<OfPlan | undefined>) {
  const style = ref<string | null>(begins)
  const question = (): OfPlan | Schemas['MethodBody'] => {
    const method = form.value.method
    const within = ofPlan?.value
    if (!within) return { formula: form.value, style: method ? null : style.value }
    const asked = method
      ? { ...within.asked, method: method as Asked['method'], style: undefined }
      : { ...within.asked, style: style.value ?? within.asked.style, method: undefined }
    return { asked, plan: within.plan }
  }
  const { answer, refused, pending } = useNewest(
    question,
    (body) =>
      'asked' in body
        ? ask(api.POST('/api/plan/method', { body: body.asked, params: { query: { plan: body.plan } } }))
        : ask(api.POST('/api/formulas/method', { body })),
    {
      wait: 60,
      // What ripens follows the formula's rows: a levain that was added has its stage, too.
      complete: ({ method }) => {
        const own = form.value.method
        const found = method as unknown as Method
        if (own && JSON.stringify(kinds(own)) !== JSON.stringify(kinds(found)))
          form.value.method = copy(found)
      },
    },
  )
  const isOwn = computed(() => form.value.method != null)
  const written = computed(
    () => (form.value.method ?? (answer.value?.method as unknown as Method) ?? { stages: [] }) as Method,
  )

  const kindOf = (kind: string) => answer.value?.kinds.find((each) => each.kind === kind) ?? KIND

  /** What is written, in its order: as the server last told it, or bare while that is awaited or refused. */
  const shown = computed<Shown[]>(() => {
    const told = (answer.value?.stages ?? []) as Shown[]
    const ways: [string, string, Stages][] = [['', '', written.value.stages ?? []]]
    for (const [place, part] of (written.value.parts ?? []).entries())
      ways.push([`parts.${place}.`, part.name, part.stages ?? []])
    return ways.flatMap(([above, part, stages]) =>
      stages.map((stage, place) => {
        const where = `${above}stages.${place}`
        const found = told.find((each) => each.where === where && each.kind === stage.kind)
        return found
          ? { ...found, part }
          : { ...BARE, where, part, kind: stage.kind, ends: kindOf(stage.kind).ends }
      }),
    )
  })

  function own(): Method {
    form.value.method ??= copy(written.value)
    return form.value.method
  }
  /** The list in which a stage stands, and its place there: stages.3, or parts.0.stages.2. */
  function at(method: Method, where: string): [Stages, number] {
    const [first, second, , last] = where.split('.')
    if (first === 'stages') return [method.stages!, Number(second)]
    return [method.parts![Number(second)]!.stages!, Number(last)]
  }
  function stageOf(where: string): Stage | undefined {
    const [stages, place] = at(written.value, where)
    return stages[place]
  }
  function change(where: string, fields: Partial<Stage>) {
    const [stages, place] = at(own(), where)
    const next = { ...stages[place]!, ...fields } as Record<string, unknown>
    for (const [name, value] of Object.entries(next)) if (value == null) delete next[name]
    stages[place] = next as unknown as Stage
  }
  const beside = (where: string, place: number) => where.replace(/\d+$/, String(place))
  function remove(where: string) {
    const [stages, place] = at(own(), where)
    stages.splice(place, 1)
  }
  function move(where: string, by: number): string {
    const [stages, place] = at(own(), where)
    const to = place + by
    if (to < 0 || to >= stages.length) return where
    stages.splice(to, 0, ...stages.splice(place, 1))
    return beside(where, to)
  }
  function add(where: string, kind: string): string {
    const [stages, place] = at(own(), where)
    stages.splice(place + 1, 0, { kind, ...copy(kindOf(kind).begins ?? {}) } as Stage)
    return beside(where, place + 1)
  }
  /** What follows a stage goes two ways from there: all pieces but one the first, one the second. */
  function split(where: string) {
    const method = own()
    const rest = method.stages!.splice(Number(where.split('.')[1]) + 1)
    const bare = (stages: Stages) => copy(stages).map((each) => ({ ...each, id: undefined }) as Stage)
    method.parts = [
      { name: words.method.newParts, pieces: Math.max(form.value.pieces! - 1, 1), stages: bare(rest) },
      { name: words.method.newPart, pieces: 1, stages: bare(rest) },
    ]
    form.value.pieces = method.parts[0]!.pieces! + 1
  }
  function join() {
    const method = own()
    method.stages!.push(...(method.parts?.[0]?.stages ?? []))
    method.parts = []
  }
  function partOf(where: string) {
    return where.startsWith('parts') ? own().parts![Number(where.split('.')[1])]! : null
  }
  function nameOrCount(where: string, fields: { name?: string; pieces?: number }) {
    const part = partOf(where)
    if (!part) return
    Object.assign(part, fields)
    form.value.pieces = own().parts!.reduce((sum, each) => sum + (each.pieces ?? 0), 0)
  }
  /** Kinds that may be added: what a dough meets once is not offered again. */
  const addable = computed(() =>
    (answer.value?.kinds ?? []).filter((each) => each.begins).map((each) => each.kind),
  )
  const canSplit = (where: string) =>
    where.startsWith('stages') && !written.value.parts?.length && stageOf(where)?.kind !== 'bake'

  return {
    answer, refused, pending, style, isOwn, written, shown, addable, kindOf,
    own, stageOf, change, remove, move, add, split, join, nameOrCount, canSplit,
    letGo: () => (form.value.method = null),
  } // prettier-ignore
}
