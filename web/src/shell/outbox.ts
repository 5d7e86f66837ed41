import {
  clear,
  createStore,
  del,
  delMany,
  entries,
  get,
  set,
  setMany,
  update,
  type UseStore,
} from 'idb-keyval'
import { shallowRef } from 'vue'
import type { Schemas } from '../api/client'

/** What was pressed or photographed here and is not with the server yet: one record each, whatever happens to the page. */
export interface Waiting {
  id: string
  /** Its place among the others: they are sent in the order of being pressed. */
  order: number
  dough: string
  /** Whether it was ever sent: the server may have it, though no answer came. */
  tried: boolean
  press?: Schemas['PressBody']
  photo?: { at: string; data: Blob }
  /** Why it was refused; it then waits for somebody to say what is to become of it. */
  refused?: string
}

const OLD_QUEUE = 'gentle-crust.presses'
const OLD_STUCK = 'gentle-crust.presses.stuck'
const LAST = 'gentle-crust.bench'
let store: UseStore | null = null
const box = () => (store ??= createStore('gentle-crust-outbox', 'waiting'))
const others = 'BroadcastChannel' in window ? new BroadcastChannel('gentle-crust.outbox') : null

/** All that waits, the first pressed first: of every page of this browser. */
export const waiting = shallowRef<Waiting[]>([])
/** Whether this browser keeps anything at all: a private window may not. */
export const keeps = shallowRef(true)
let newest = 0

/** A number greater than any before it. */
export function nextOrder(): number {
  newest = Math.max(newest + 1, Date.now())
  return newest
}

/** What the browser would not keep: it lives as long as the page. */
const unkept = new Map<string, Waiting>()
/** Whether a reload of the page would lose it. */
export const isKept = (one: Waiting) => !unkept.has(one.id)

function show(all: Waiting[]) {
  const every = new Map([...unkept, ...all.map((one) => [one.id, one] as const)])
  waiting.value = [...every.values()].sort((a, b) => a.order - b.order)
}

/** Look again at what is kept; what the browser could not keep stays with the page. */
export async function refresh() {
  try {
    const kept = (await entries<string, Waiting>(box())).map(([, one]) => one)
    show(kept)
  } catch {
    keeps.value = false
  }
}

async function changed(act: Promise<unknown>): Promise<boolean> {
  try {
    await act
    others?.postMessage('changed')
    return true
  } catch {
    keeps.value = false
    return false
  }
}

/** Keep one more. What a press holds may be watched by the page, which a browser cannot keep: it is copied plainly. */
export async function add(given: Waiting) {
  const one = given.press
    ? { ...given, press: JSON.parse(JSON.stringify(given.press)) as Schemas['PressBody'] }
    : given
  unkept.set(one.id, one)
  show(waiting.value)
  if (!(await changed(set(one.id, one, box())))) return
  unkept.delete(one.id)
  show(waiting.value)
}

export async function drop(ids: string[]) {
  const gone = new Set(ids)
  ids.forEach((id) => unkept.delete(id))
  show(waiting.value.filter((each) => !gone.has(each.id)))
  await changed(delMany(ids, box()))
}

/** Change some of them; one that was dropped meanwhile stays dropped. */
export async function alter(ids: string[], change: (one: Waiting) => Waiting) {
  const wanted = new Set(ids)
  for (const id of ids) if (unkept.has(id)) unkept.set(id, change(unkept.get(id)!))
  show(waiting.value.map((each) => (wanted.has(each.id) ? change(each) : each)))
  await changed(
    Promise.all(
      ids.map(async (id) => {
        if (await get<Waiting>(id, box())) await update<Waiting>(id, (old) => change(old!), box())
      }),
    ),
  )
}

/** The record as it is kept now, whichever page changed it. */
export async function kept(id: string): Promise<Waiting | undefined> {
  try {
    return (await get<Waiting>(id, box())) ?? unkept.get(id)
  } catch {
    return waiting.value.find((each) => each.id === id)
  }
}

others?.addEventListener('message', () => void refresh())

/** What an earlier program kept in other places is taken over. */
async function takeOver() {
  const old: Waiting[] = []
  for (const [name, refused] of [
    [OLD_QUEUE, ''],
    [OLD_STUCK, 'It could not be taken.'],
  ] as const) {
    try {
      const found = JSON.parse(localStorage.getItem(name) ?? '[]') as Schemas['PressBody'][]
      for (const press of found)
        old.push({
          id: press.id,
          order: nextOrder(),
          dough: press.dough ?? '',
          tried: true,
          press,
          ...(refused && { refused }),
        })
    } catch {
      /* It was nothing of ours. */
    }
  }
  for (const [key, one] of await entries<string, { dough: string; at: string; photo: Blob }>()) {
    const name = /^photo(-stuck)?:(.+)$/.exec(String(key))
    if (!name) continue
    const photo = { at: one.at, data: one.photo }
    old.push({
      id: name[2]!,
      order: nextOrder(),
      dough: one.dough,
      tried: true,
      photo,
      ...(name[1] && { refused: 'It could not be taken.' }),
    })
    await del(key)
  }
  if (old.length)
    await setMany(
      old.map((one) => [one.id, one]),
      box(),
    )
  localStorage.removeItem(OLD_QUEUE)
  localStorage.removeItem(OLD_STUCK)
}

void takeOver()
  .catch(() => (keeps.value = false))
  .then(refresh)

/** The bench as it was heard last, for a page that opens without a connection. */
export const keepLast = (bench: Schemas['BenchAnswer']) => set(LAST, bench).catch(() => undefined)
export const lastKept = () => get<Schemas['BenchAnswer']>(LAST).catch(() => undefined)
/** Nothing of the kitchen stays on a device that signs out. */
export async function forgetAll() {
  await Promise.allSettled([clear(box()), del(LAST), window.caches?.delete('answers')])
  await refresh()
}
