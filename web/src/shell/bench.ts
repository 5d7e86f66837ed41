import { useQueryClient } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { api, ask, Refused, signInsSoFar, unknownHere, type Schemas } from '../api/client'
import { newKey } from './keys'
import {
  add,
  alter,
  drop,
  isKept,
  keepLast,
  keeps,
  kept,
  lastKept,
  nextOrder,
  refresh,
  waiting,
  type Waiting,
} from './outbox'

export type Bench = Schemas['BenchAnswer']
export type BenchDough = Schemas['DoughAnswer']
export type LiveStep = Schemas['LiveStep']
export type PressKind = Schemas['PressBody']['kind']

const SLOWEST = 2000
/** A page that nobody looks at still has to know what was done elsewhere: it calls for what is due. */
const OUT_OF_SIGHT = 10_000
/** Without an answer it is tried again after so long, then after twice that, a minute at most. */
const FIRST_PAUSE = 2000
const LONGEST_PAUSE = 60_000
const AT_ONCE = 200
/** A connection that neither answers nor fails is none, after so long; a photo takes longer. */
const PATIENCE = 15_000
const PHOTO_PATIENCE = 90_000
const SENDER = 'gentle-crust.sender'
/** Whatever is refused so is refused for good: asking again would change nothing. Any other is tried again. */
const FOR_GOOD = new Set([400, 404, 409, 413, 415, 422])

const bench = shallowRef<Bench | null>(null)
/** Whether what is shown was kept here and has not been heard anew. */
const old = ref(false)
const offline = ref(false)
const refused = ref('')
interface Pressed {
  id: string
  dough: string
  says: string
  kind: PressKind
}
/** What was pressed here, the latest last: each can be taken back with one tap, as far back as wanted. */
const pressed = shallowRef<Pressed[]>([])
const last = computed(() => pressed.value.at(-1) ?? null)
const open = computed(() => waiting.value.filter((each) => each.refused === undefined))
/** What was refused: kept, with its reason, until somebody says what is to become of it. */
const stuck = computed(() => waiting.value.filter((each) => each.refused !== undefined))
let heard = { at: 0, says: 0, rate: 1 }
let users = 0
let pause = 0
let notBefore = 0
/** Whether what is waited for is the connection: it is tried again as soon as anything is heard. */
let lost = false
let most = AT_ONCE
let timer: ReturnType<typeof setTimeout> | undefined
let telling: ReturnType<typeof setTimeout> | undefined

function took(found: Bench) {
  heard = { at: Date.now(), says: Date.parse(found.now), rate: heard.rate }
  old.value = false
  if (found.unchanged) return
  bench.value = found
  void keepLast(found)
}

/** What was shown last, for as long as nothing newer is heard. */
async function recall() {
  const found = await lastKept()
  if (!found || bench.value) return
  bench.value = { ...found, cursor: '' }
  old.value = true
}

/** The program's time now, also while it cannot be reached. */
export function programNow(): number {
  return heard.at ? heard.says + heard.rate * (Date.now() - heard.at) : Date.now()
}

/** Whether there was no answer at all, or none that the program wrote. */
const unreached = (error: unknown) => !(error instanceof Refused) || (!error.message && error.status === 0)

async function poll() {
  try {
    const cursor = old.value ? '' : (bench.value?.cursor ?? '')
    const signal = AbortSignal.timeout(PATIENCE)
    if (!bench.value) setTimeout(() => void (bench.value || recall()), PATIENCE / 5)
    took(await ask(api.GET('/api/bench', { params: { query: { cursor } }, signal })))
    offline.value = false
    if (lost) reached()
  } catch (error) {
    offline.value = unreached(error)
    if (!bench.value) await recall()
  }
  if (!offline.value && open.value.length) await send()
}

function again() {
  clearTimeout(timer)
  const rest = document.hidden ? OUT_OF_SIGHT : heard.rate > 1 ? 400 : SLOWEST
  timer = setTimeout(async () => {
    if (users) await poll()
    if (users) again()
  }, rest)
}

/** One page of this browser sends, whichever has the turn; the others wait for the next occasion. */
function send(): Promise<void> {
  /* Presses are timed by the kitchen's clock: until that was heard nobody knows by how much this device's is off. */
  if (!heard.at || Date.now() < notBefore) return Promise.resolve()
  if (!navigator.locks) return sendAll()
  return navigator.locks.request(SENDER, { ifAvailable: true }, (lock) =>
    lock ? sendAll() : undefined,
  ) as Promise<void>
}

/** Send what waits in its order, whatever is pressed meanwhile too. */
async function sendAll() {
  await refresh()
  for (let going = true; going && open.value.length;) {
    const first = open.value[0]!
    going = first.photo ? await sendPhoto(first) : await sendPresses()
  }
}

/** The server could not be reached, or asks to wait. */
function wait(seconds = 0) {
  pause = Math.min(Math.max(pause * 2, FIRST_PAUSE), LONGEST_PAUSE)
  notBefore = Date.now() + Math.max(pause, 1000 * seconds)
}
function reached() {
  offline.value = lost = false
  pause = notBefore = 0
}

/** Presses up to the next photo; whether to go on. */
async function sendPresses(): Promise<boolean> {
  const until = open.value.findIndex((each) => each.photo)
  const wanted = open.value.slice(0, Math.min(until < 0 ? open.value.length : until, most))
  await alter(
    wanted.map((each) => each.id),
    (one) => ({ ...one, tried: true }),
  )
  const ids = wanted.map((each) => each.id).filter((id) => open.value.some((each) => each.id === id))
  const some = wanted.filter((each) => ids.includes(each.id))
  if (!some.length) return true
  try {
    const presses = some.map((each) => each.press!)
    const sent_at = new Date(programNow()).toISOString()
    const signal = AbortSignal.timeout(PATIENCE)
    const answer = await ask(api.POST('/api/bench/presses', { body: { sent_at, presses }, signal }))
    const why = new Map(answer.refused.map((each) => [each.id, `${each.sentence} ${each.remedy}`]))
    await setAside(why)
    const settled = new Set(answer.taken)
    await drop(ids.filter((id) => settled.has(id) && !why.has(id)))
    took(answer.bench)
    reached()
    most = AT_ONCE
    return settled.size + why.size > 0
  } catch (error) {
    return notTaken(error, some)
  }
}

/** What becomes of what was sent and not taken; whether to go on with the rest. */
async function notTaken(error: unknown, some: Waiting[]): Promise<boolean> {
  offline.value = unreached(error)
  if (!(error instanceof Refused) || offline.value) {
    lost = true
    wait()
    return false
  }
  if (error.message) refused.value = error.message
  if (error.status === 413 && some.length > 1) {
    most = Math.ceil(some.length / 2)
    return true
  }
  const places = new Set(error.errors.map((each) => /^presses\.(\d+)\b/.exec(each.field)?.[1]))
  const odd = some.filter((_, index) => places.has(String(index)))
  if (odd.length) {
    await setAside(new Map(odd.map((each) => [each.id, error.message])))
    return true
  }
  if (FOR_GOOD.has(error.status) && some.length === 1) {
    await setAside(new Map([[some[0]!.id, error.message]]))
    return true
  }
  if (FOR_GOOD.has(error.status)) most = 1
  else wait(error.waitS)
  return FOR_GOOD.has(error.status)
}

async function setAside(why: Map<string, string>) {
  if (!why.size) return
  forget([...why.keys()])
  refused.value = [...why.values()][0]!
  await alter([...why.keys()], (one) => ({ ...one, refused: why.get(one.id) ?? '' }))
}

async function sendPhoto(one: Waiting): Promise<boolean> {
  await alter([one.id], (each) => ({ ...each, tried: true }))
  const asked = signInsSoFar()
  try {
    const answer = await fetch(`/api/bench/${one.dough}/photos/${one.id}`, {
      method: 'PUT',
      body: one.photo!.data,
      headers: { 'Taken-At': one.photo!.at },
      signal: AbortSignal.timeout(PHOTO_PATIENCE),
    })
    if (answer.ok) {
      await drop([one.id])
      took((await answer.json()) as Bench)
      reached()
      return true
    }
    if (answer.status === 401) unknownHere(asked)
    const said = (await answer.json().catch(() => null)) as { detail?: string } | null
    const waits = Number(answer.headers.get('Retry-After')) || 0
    return await notTaken(new Refused(said?.detail ?? '', [], null, answer.status, waits), [one])
  } catch (error) {
    return notTaken(error, [one])
  }
}

/** What was refused, or taken back, can no longer be taken back. */
function forget(ids: string[]) {
  if (ids.length) pressed.value = pressed.value.filter((each) => !ids.includes(each.id))
}

window.addEventListener('online', () => {
  pause = notBefore = 0
  if (users) void poll()
})

/** What happens at the bench, seen by every room and pressed from any device; shared by all that ask for it. */
export function useBench() {
  const client = useQueryClient()
  users += 1
  if (users === 1) {
    void poll()
    again()
  }
  onScopeDispose(() => (users -= 1))

  /** The clock that presses are timed by follows the server's. */
  function follow(says: number, runs: number) {
    heard = { at: Date.now(), says, rate: runs }
  }

  async function press(
    dough: string,
    kind: PressKind,
    body: Record<string, unknown>,
    says: string,
    at?: string,
  ) {
    const id = newKey()
    const one = { id, dough, kind, at: at ?? new Date(programNow()).toISOString(), body }
    refused.value = ''
    if (says) pressed.value = [...pressed.value, { id, dough, says, kind }]
    await add({ id, order: nextOrder(), dough, tried: false, press: one })
    await send()
    tellOthers()
    return id
  }
  /** Other rooms hear of it once the hands rest: a press must never wait for them. */
  function tellOthers() {
    clearTimeout(telling)
    telling = setTimeout(() => {
      for (const queryKey of [['plans'], ['cultures'], ['bakes']]) void client.invalidateQueries({ queryKey })
    }, 1500)
  }

  /** Take something back: what was never sent is simply not sent; what was may have arrived, and is taken back there. */
  async function takeBack(dough: string, event: string) {
    const absence = pressed.value.some((each) => each.id === event && each.kind === 'absence')
    forget([event])
    const waits = await kept(event)
    if (waits && !waits.tried) return drop([event])
    await press(dough, absence ? 'absence_withdrawn' : 'bake_withdrawn', { event }, '')
  }

  async function photograph(dough: string, data: Blob) {
    const at = new Date(programNow()).toISOString()
    await add({ id: newKey(), order: nextOrder(), dough, tried: false, photo: { at, data } })
    await send()
  }

  /** Try again what could not be taken, or forget it. */
  async function unstick(again: boolean, ids = stuck.value.map((each) => each.id)) {
    refused.value = ''
    if (!again) return drop(ids)
    await alter(ids, (one) => ({ ...one, refused: undefined }))
    pause = notBefore = 0
    await send()
  }

  /** The bench with what was pressed here and is still on its way. */
  const doughs = computed<BenchDough[]>(() => (bench.value?.doughs ?? []).map(withWaiting))
  /** What is told to be kept is kept: a browser may reload its page at any moment. */
  const waits = computed(() => open.value.filter((each) => isKept(each) || !keeps.value).length)
  return {
    bench,
    old,
    doughs,
    offline,
    waits,
    refused,
    last,
    stuck,
    press,
    takeBack,
    unstick,
    photograph,
    follow,
    poll,
    took,
    send,
  }
}

export const EXTRA_FOLD = 'extra_fold-'

function withWaiting(dough: BenchDough): BenchDough {
  const mine = open.value.filter((each) => each.dough === dough.id && each.press?.kind === 'bake_step')
  if (!mine.length) return dough
  const done = new Map(mine.map((each) => [each.press!.body?.key, each.press!]))
  const steps = dough.steps.map((step) => {
    const one = done.get(step.key)
    if (!one) return step
    return { ...step, state: one.body?.skipped ? 'skipped' : 'done', at: one.at } as LiveStep
  })
  // A fold that no plan foresaw is drawn like any other as soon as it is pressed.
  const fold = steps.find((step) => step.kind === 'fold') ?? steps[0]
  for (const each of mine) {
    const key = String(each.press!.body?.key ?? '')
    if (!fold || !key.startsWith(EXTRA_FOLD) || steps.some((step) => step.key === key)) continue
    steps.push({ ...fold, key, kind: 'fold', state: 'done', at: each.press!.at, part: '' } as LiveStep)
  }
  const left = steps.filter((step) => step.state === 'due' || step.state === 'coming')
  const next = left.sort((a, b) => a.at.localeCompare(b.at))[0]
  return { ...dough, steps, next: next?.key ?? null }
}
