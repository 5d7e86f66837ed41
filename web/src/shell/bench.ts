import { useQueryClient } from '@tanstack/vue-query'
import { del, entries, set } from 'idb-keyval'
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { api, ask, Refused, type Schemas } from '../api/client'
import { newKey } from './keys'

export type Bench = Schemas['BenchAnswer']
export type BenchDough = Schemas['DoughAnswer']
export type LiveStep = Schemas['LiveStep']
export type PressKind = Schemas['PressBody']['kind']
type Waiting = Schemas['PressBody']

const QUEUE = 'gentle-crust.presses'
const STUCK = 'gentle-crust.presses.stuck'
const SLOWEST = 2000
/** A page that nobody looks at still has to know what was done elsewhere: it calls for what is due. */
const OUT_OF_SIGHT = 10_000
const PHOTO = 'photo:'
const PHOTO_STUCK = 'photo-stuck:'
/** No picture, too large, or of a dough that is not there: asking again would change nothing. */
const NEVER_TAKEN = new Set([404, 409, 413, 415, 422])

const bench = shallowRef<Bench | null>(null)
const waiting = shallowRef<Waiting[]>(stored(QUEUE))
const photosWaiting = ref(0)
const photosStuck = ref(0)
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
/** Presses that are on their way to the server just now: taking one back is a press of its own. */
const underWay = new Set<string>()
/** Presses that the server could not take: kept until somebody says what is to become of them. */
const stuck = shallowRef<Waiting[]>(stored(STUCK))
let heard = { at: 0, says: 0, rate: 1 }
let sending = false
let users = 0
let timer: ReturnType<typeof setTimeout> | undefined
let telling: ReturnType<typeof setTimeout> | undefined

function stored(name: string): Waiting[] {
  try {
    const found = JSON.parse(localStorage.getItem(name) ?? '[]') as Waiting[]
    return Array.isArray(found) ? found : []
  } catch {
    return []
  }
}

/** Presses that are not with the server yet are kept in the browser, whatever happens to the page. */
function keep(presses: Waiting[], list = waiting, name = QUEUE) {
  list.value = presses
  try {
    localStorage.setItem(name, JSON.stringify(presses))
  } catch {
    /* Full: they are still held by the page. */
  }
}

/** Out of the way of the others, and kept all the same. */
function setAside(ids: Set<string>) {
  if (!ids.size) return
  const odd = waiting.value.filter((each) => ids.has(each.id))
  keep([...stuck.value, ...odd], stuck, STUCK)
  keep(waiting.value.filter((each) => !ids.has(each.id)))
}

function took(found: Bench) {
  if (heard.at) heard = { ...heard, at: Date.now(), says: Date.parse(found.now) }
  if (!found.unchanged) bench.value = found
}

/** The program's time now, also while it cannot be reached. */
export function programNow(): number {
  return heard.at ? heard.says + heard.rate * (Date.now() - heard.at) : Date.now()
}

async function poll() {
  try {
    const cursor = bench.value?.cursor ?? ''
    took(await ask(api.GET('/api/bench', { params: { query: { cursor } } })))
    offline.value = false
  } catch (error) {
    offline.value = !(error instanceof Refused) || !error.message
  }
  if (!offline.value && (waiting.value.length || photosWaiting.value)) await send()
}

function again() {
  clearTimeout(timer)
  const pause = document.hidden ? OUT_OF_SIGHT : heard.rate > 1 ? 400 : SLOWEST
  timer = setTimeout(async () => {
    if (users) await poll()
    if (users) again()
  }, pause)
}

/** Send what waits, in its order; what the server has taken or refused waits no longer. */
async function send() {
  if (sending || !waiting.value.length) return void (await sendPhotos())
  sending = true
  let more = false
  try {
    const presses = waiting.value.slice(0, 400)
    presses.forEach((each) => underWay.add(each.id))
    const sent_at = new Date(programNow()).toISOString()
    const answer = await ask(api.POST('/api/bench/presses', { body: { sent_at, presses } }))
    setAside(new Set(answer.refused.filter((each) => each.keep).map((each) => each.id)))
    const settled = new Set([...answer.taken, ...answer.refused.map((each) => each.id)])
    forget(answer.refused.map((each) => each.id))
    keep(waiting.value.filter((each) => !settled.has(each.id)))
    const first = answer.refused[0]
    if (first) refused.value = `${first.sentence} ${first.remedy}`
    took(answer.bench)
    offline.value = false
    more = waiting.value.length > 0
  } catch (error) {
    const said = error instanceof Refused ? error : null
    offline.value = !said?.message
    if (said?.message) refused.value = said.message
    more = passUnreadable(said)
  } finally {
    sending = false
    underWay.clear()
  }
  await (more ? send() : sendPhotos())
}

/** Presses that the program cannot even read, of an older page for one, must not hold up those behind them. */
function passUnreadable(said: Refused | null): boolean {
  const places = new Set((said?.errors ?? []).map((each) => /^presses\.(\d+)\b/.exec(each.field)?.[1]))
  const odd = waiting.value.filter((_, index) => places.has(String(index)))
  setAside(new Set(odd.map((each) => each.id)))
  return odd.length > 0
}

/** What was refused, or taken back, can no longer be taken back. */
function forget(ids: string[]) {
  if (ids.length) pressed.value = pressed.value.filter((each) => !ids.includes(each.id))
}

interface WaitingPhoto {
  dough: string
  at: string
  photo: Blob
}

async function sendPhotos() {
  try {
    const all = await entries<string, WaitingPhoto>()
    photosStuck.value = all.filter(([key]) => key.startsWith(PHOTO_STUCK)).length
    const kept = all.filter(([key]) => key.startsWith(PHOTO))
    photosWaiting.value = kept.length
    for (const [key, one] of kept) {
      const id = key.slice(PHOTO.length)
      const answer = await fetch(`/api/bench/${one.dough}/photos/${id}`, {
        method: 'PUT',
        body: one.photo,
        headers: { 'Taken-At': one.at },
      })
      if (answer.ok) {
        took((await answer.json()) as Bench)
        await del(key)
        photosWaiting.value -= 1
        continue
      }
      const said = (await answer.json().catch(() => null)) as { detail?: string } | null
      refused.value = said?.detail ?? refused.value
      /* What is refused is never thrown away: a photo is not taken twice. One that can never be taken waits apart. */
      if (!NEVER_TAKEN.has(answer.status)) return
      await set(`${PHOTO_STUCK}${id}`, one)
      await del(key)
      photosWaiting.value -= 1
      photosStuck.value += 1
    }
  } catch {
    /* Sent when the connection is back. */
  }
}

/** Photos that were refused are tried once more, or let go. */
async function unstickPhotos(again: boolean) {
  for (const [key, one] of await entries<string, WaitingPhoto>()) {
    if (!String(key).startsWith(PHOTO_STUCK)) continue
    if (again) await set(`${PHOTO}${key.slice(PHOTO_STUCK.length)}`, one)
    await del(key)
  }
  photosStuck.value = 0
  if (again) await sendPhotos()
}

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

  function press(dough: string, kind: PressKind, body: Record<string, unknown>, says: string, at?: string) {
    const one: Waiting = { id: newKey(), dough, kind, at: at ?? new Date(programNow()).toISOString(), body }
    keep([...waiting.value, one])
    refused.value = ''
    if (says) pressed.value = [...pressed.value, { id: one.id, dough, says, kind }]
    return send().then(() => {
      tellOthers()
      return one.id
    })
  }
  /** Other rooms hear of it once the hands rest: a press must never wait for them. */
  function tellOthers() {
    clearTimeout(telling)
    telling = setTimeout(() => {
      void client.invalidateQueries({ queryKey: ['plans'] })
      void client.invalidateQueries({ queryKey: ['cultures'] })
    }, 1500)
  }

  /** Take something back; what was not sent yet is simply not sent. */
  async function takeBack(dough: string, event: string) {
    const absence = pressed.value.some((each) => each.id === event && each.kind === 'absence')
    forget([event])
    if (waiting.value.some((each) => each.id === event) && !underWay.has(event)) {
      return keep(waiting.value.filter((each) => each.id !== event))
    }
    await press(dough, absence ? 'absence_withdrawn' : 'bake_withdrawn', { event }, '')
  }

  async function photograph(dough: string, photo: Blob) {
    const id = newKey()
    await set(`${PHOTO}${id}`, { dough, at: new Date(programNow()).toISOString(), photo })
    photosWaiting.value += 1
    await sendPhotos()
  }

  /** Try again what could not be taken, or forget it. */
  function unstick(again: boolean) {
    const odd = stuck.value
    keep([], stuck, STUCK)
    void unstickPhotos(again)
    if (!again) return Promise.resolve()
    keep([...waiting.value, ...odd])
    return send()
  }

  /** The bench with what was pressed here and is still on its way. */
  const doughs = computed<BenchDough[]>(() => (bench.value?.doughs ?? []).map(withWaiting))
  const waits = computed(() => waiting.value.length + photosWaiting.value)
  return {
    bench,
    doughs,
    offline,
    waits,
    refused,
    last,
    stuck,
    photosStuck,
    press,
    takeBack,
    unstick,
    photograph,
    follow,
    poll,
    took,
  }
}

function withWaiting(dough: BenchDough): BenchDough {
  const mine = waiting.value.filter((each) => each.dough === dough.id)
  if (!mine.length) return dough
  const done = new Map(mine.filter((each) => each.kind === 'bake_step').map((each) => [each.body?.key, each]))
  if (!done.size) return dough
  const steps = dough.steps.map((step) => {
    const pressed = done.get(step.key)
    if (!pressed) return step
    return { ...step, state: pressed.body?.skipped ? 'skipped' : 'done', at: pressed.at } as LiveStep
  })
  const left = steps.filter((step) => step.state === 'due' || step.state === 'coming')
  const next = left.sort((a, b) => a.at.localeCompare(b.at))[0]
  return { ...dough, steps, next: next?.key ?? null }
}
