import type { Schemas } from '../../api/client'

/** What was said of a loaf: only what was said. */
export type Sheet = Partial<Schemas['Sheet']>

const WHOSE = new Set(['part', 'piece', 'day'])

/** A sheet as it was kept, without what was left out. */
export function sheetOf(kept: Schemas['Sheet'] | undefined): Sheet {
  const said = Object.entries(kept ?? {}).filter(
    ([name, value]) =>
      !WHOSE.has(name) && value !== null && value !== '' && !(Array.isArray(value) && !value.length),
  )
  return Object.fromEntries(said) as Sheet
}
