import { FluentBundle, FluentNumber, FluentResource, type FluentFunction } from '@fluent/bundle'
import type { Value, Words } from './api/words'
import { clock, day, difference, mass, span, warmth } from './shell/units'

type Body = FluentResource['body']

/** Read when the page is built: a phone need not. */
const english = import.meta.glob<Body>('../../src/gentle_crust/text/en/page/*.ftl', {
  import: 'default',
  eager: true,
})

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

/** English is part of the program; the server has the others, as a file each. */
async function catalogue(language: string): Promise<Body[]> {
  if (language === 'en') return Object.values(english)
  const answer = await fetch(`/words/${language}.ftl`)
  return answer.ok ? [new FluentResource(await answer.text()).body] : Object.values(english)
}

const language = document.documentElement.lang || 'en'
const bundle = new FluentBundle(language, { functions, useIsolating: false })
const keys: string[] = []
for (const body of await catalogue(language)) {
  const resource = new FluentResource('')
  resource.body = body
  keys.push(...resource.body.map((each) => each.id))
  bundle.addResource(resource)
}

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

/** The keys as a tree: plan-says-saved is plan.says.saved. Each of its first branches grows when it is looked at. */
function tree(): Words {
  const root: Record<string, unknown> = {}
  const under = new Map<string, string[]>()
  for (const key of keys) {
    const first = key.split('-', 1)[0]!
    if (under.has(first)) under.get(first)!.push(key)
    else under.set(first, [key])
  }
  for (const [first, own] of under) {
    let grown: unknown
    Object.defineProperty(root, first, { enumerable: true, get: () => (grown ??= branch(first, own)) })
  }
  return root as unknown as Words
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

/** Every word of the page, from the catalogues. */
export const words: Words = tree()
