import { FluentBundle, FluentNumber, FluentResource, type FluentFunction } from '@fluent/bundle'
import type { Value, Words } from './api/words'
import { clock, day, difference, mass, span, warmth } from './shell/units'

const english = import.meta.glob<string>('../../src/gentle_crust/text/en/page/*.ftl', {
  query: '?raw',
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
async function catalogue(language: string): Promise<string[]> {
  if (language === 'en') return Object.values(english)
  const answer = await fetch(`/words/${language}.ftl`)
  return answer.ok ? [await answer.text()] : Object.values(english)
}

const language = document.documentElement.lang || 'en'
const bundle = new FluentBundle(language, { functions, useIsolating: false })
const keys: string[] = []
for (const text of await catalogue(language)) {
  const resource = new FluentResource(text)
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

/** The keys as a tree: plan-says-saved is plan.says.saved; a message that asks for data is a function of them. */
function tree(): Words {
  const root: Record<string, unknown> = {}
  for (const key of keys) {
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
  return listed(root) as Words
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
