import { addDays, create, createFormat, diffDays, toString } from 'temporal-polyfill/fns/PlainDate'

/** A calendar day as it is written, 2027-03-28. */
function dayOf(key: string) {
  const [year = 1970, month = 1, day = 1] = key.split('-').map(Number)
  return create(year, month, day)
}

/** The day so many calendar days after another; never counted in hours, of which a day may have 23 or 25. */
export const dayAfter = (key: string, days: number) => toString(addDays(dayOf(key), days))

/** Whole calendar days from one day to another. */
export const daysBetween = (from: string, to: string) => diffDays(dayOf(from), dayOf(to))

/** Formats cost a phone long to make: each is made when it is first wanted. */
const made: Record<'short' | 'long', ReturnType<typeof createFormat> | undefined> = {
  short: undefined,
  long: undefined,
}
const short = () => (made.short ??= createFormat('en-GB', { weekday: 'long' }))
const long = () => (made.long ??= createFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long' }))

/** The name of a calendar day: Sunday; with its date, Sunday 28 March. */
export const nameOfDay = (key: string, dated = false) => (dated ? long() : short()).format(dayOf(key))
