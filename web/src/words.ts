import { FluentBundle, FluentNumber, FluentResource, type FluentFunction } from '@fluent/bundle'
import type { Value, Words } from './api/words'
import { clock, day, difference, mass, span, warmth } from './shell/units'

type Body = FluentResource['body']
const ENGLISH = 'en'

/** What a sentence may call; figures come in C, g, minutes and instants, and are shown as the baker reads them. */
const functions: Record<string, FluentFunction> = {
  WARMTH: ([c]) => warmth(Number(plain(c))),
  DIFFERENCE: ([k], { digits }) => difference(Number(plain(k)), Number(plain(digits ?? 0))),
  MASS: ([g]) => mass(Number(plain(g))),
  CLOCK: ([at]) => clock(String(plain(at))),
  DAY: ([at]) => day(String(plain(at))),
  SPAN: ([minutes]) => span(Number(plain(minutes))),
}

function plain(value: unknown): unknown {
  return value instanceof FluentNumber ? value.value : value
}

const language = document.documentElement.lang || ENGLISH
const bundle = new FluentBundle(language, { functions, useIsolating: false })
/** The keys by their first part: a room's words come with the room. */
const keys = new Map<string, string[]>()

function add(body: Body) {
  const resource = new FluentResource('')
  resource.body = body
  bundle.addResource(resource)
  for (const { id } of body) {
    const first = id.split('-', 1)[0]!
    if (keys.has(first)) keys.get(first)!.push(id)
    else keys.set(first, [id])
  }
}

/** A catalogue of English has come, with the part of the program that speaks it; another language stays. */
export function heard(body: Body) {
  if (language === ENGLISH || missing) add(body)
}

/** English is part of the program; the server has the others, as a file each. */
const answer = language === ENGLISH ? null : await fetch(`/words/${language}.ftl`)
const missing = answer !== null && !answer.ok
if (answer?.ok) add(new FluentResource(await answer.text()).body)

/** A sentence with its data; figures stand without thousands' commas. */
function said(key: string, data: Record<string, Value> = {}): string {
  const pattern = bundle.getMessage(key)?.value
  if (!pattern) return key
  const given = Object.entries(data).map(([name, value]) => [
    name,
    typeof value === 'number' ? new FluentNumber(value, { useGrouping: false }) : value,
  ])
  return bundle.formatPattern(pattern, Object.fromEntries(given) as Record<string, string>, [])
}

/** Whether a pattern asks for data. */
function asks(part: unknown): boolean {
  if (typeof part !== 'object' || part === null) return false
  return (part as { type?: string }).type === 'var' || Object.values(part).some(asks)
}

/** What is under one first part of the keys; a message that asks for data is a function of them. */
function branch(first: string, own: string[]): unknown {
  const root: Record<string, unknown> = {}
  for (const key of own) {
    const path = key.split('-')
    const last = path.pop()!
    let place = root
    for (const part of path) place = (place[part] ??= {}) as Record<string, unknown>
    if (asks(bundle.getMessage(key)?.value)) {
      place[last] = (data: Record<string, Value>) => said(key, data)
    } else {
      Object.defineProperty(place, last, { enumerable: true, get: () => said(key) })
    }
  }
  return (listed(root) as Record<string, unknown>)[first]
}

/** Groups that count from nought are lists. */
function listed(place: Record<string, unknown>): unknown {
  for (const [key, found] of Object.entries(Object.getOwnPropertyDescriptors(place))) {
    if (typeof found.value === 'object') place[key] = listed(found.value as Record<string, unknown>)
  }
  const names = Object.keys(place)
  return names.every((name, index) => name === String(index)) ? Object.assign([], place) : place
}

/** A word found by a code, with data that it may or may not ask for. */
export const told = (
  found: string | ((data: Record<string, Value>) => string) | undefined,
  data: Record<string, Value> = {},
) => (typeof found === 'function' ? found(data) : (found ?? ''))

const grown = new Map<string, unknown>()

/** Every word of the page, from the catalogues: plan-says-saved is plan.says.saved. Each first branch grows when it is
 * looked at. */
export const words = new Proxy({} as Words, {
  get(_, first: string) {
    if (!grown.has(first)) grown.set(first, branch(first, keys.get(first) ?? []))
    return grown.get(first)
  },
})
