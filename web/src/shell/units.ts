import { computed, shallowReactive } from 'vue'
import { daysBetween } from './days'

const reading = shallowReactive({ fahrenheit: false, ounces: false, zone: 'UTC', scale_g: 1 })

/** From now on figures are shown as this kitchen's baker reads them. */
export function readAs(found: typeof reading | undefined) {
  if (!found) return
  const { fahrenheit, ounces, zone, scale_g } = found
  Object.assign(reading, { fahrenheit, ounces, zone, scale_g })
}

const GRAMS_IN_OUNCE = 28.349523125

const made = new Map<string, Intl.DateTimeFormat>()

/** Formatters are costly to make and cheap to use: each is made once. */
function formatter(locale: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = locale + JSON.stringify(options)
  const found = made.get(key) ?? new Intl.DateTimeFormat(locale, options)
  made.set(key, found)
  return found
}

function rounded(value: number, digits: number): string {
  const text = value.toFixed(digits)
  return digits ? text.replace(/\.0+$/, '') : text
}

const fahrenheit = computed(() => reading.fahrenheit)
const ounces = computed(() => reading.ounces)
const zone = computed(() => reading.zone)

const toDegrees = (c: number) => (fahrenheit.value ? c * 1.8 + 32 : c)
const fromDegrees = (degrees: number) => (fahrenheit.value ? (degrees - 32) / 1.8 : degrees)
const degree = (c: number) =>
  `${fahrenheit.value ? Math.round(c * 1.8 + 32) : rounded(Math.round(c * 2) / 2, 1)}°`
export const warmth = (c: number) => `${degree(c)}${fahrenheit.value ? 'F' : 'C'}`
export const difference = (k: number, digits = 0) => `${(fahrenheit.value ? k * 1.8 : k).toFixed(digits)}°`
const massNumber = (g: number) => {
  if (g === 0) return '0'
  if (ounces.value) {
    const oz = g / GRAMS_IN_OUNCE
    return rounded(oz, oz < 1 ? 3 : oz < 10 ? 2 : 1)
  }
  const step = reading.scale_g
  if (step > 1 && g >= 9.95 * step) return String(Math.round(g / step) * step)
  return g < 1 ? g.toFixed(2) : rounded(g, g < 9.95 ? 1 : scaleDigits.value)
}
/** A scale that shows tenths is read in tenths. */
const scaleDigits = computed(() => (reading.scale_g < 1 ? 1 : 0))
const toMass = (g: number) => (ounces.value ? g / GRAMS_IN_OUNCE : g)
const fromMass = (value: number) => (ounces.value ? value * GRAMS_IN_OUNCE : value)
const massUnit = computed(() => (ounces.value ? 'oz' : 'g'))
export const mass = (g: number) => `${massNumber(g)}\u00a0${massUnit.value}`

const format = (at: number | string | Date, options: Intl.DateTimeFormatOptions, tz = zone.value) =>
  formatter('en-GB', { timeZone: tz, hourCycle: 'h23', ...options }).format(new Date(at))
export const clock = (at: number | string | Date) => format(at, { hour: '2-digit', minute: '2-digit' })
const weekday = (at: number | string | Date) => format(at, { weekday: 'long' })
export const day = (at: number | string | Date) =>
  format(at, { weekday: 'long', day: 'numeric', month: 'long' })
const dayKey = (at: number | string | Date) =>
  formatter('sv-SE', { timeZone: zone.value }).format(new Date(at))
/** An instant as the kitchen's wall clock, 2026-11-29T07:30. */
const localTime = (at: string) => `${dayKey(at)}T${clock(at)}`
/** A time as near as it needs to be said: today by its hour, this week by its day, else by its date. */
const when = (at: number | string | Date, now: number) => {
  if (dayKey(at) === dayKey(now)) return clock(at)
  const far = Math.abs(daysBetween(dayKey(now), dayKey(at))) > 6
  return far ? `${format(at, { day: 'numeric', month: 'short' })} ${clock(at)}` : dayClock(at)
}
const dayClock = (at: number | string | Date) => `${format(at, { weekday: 'short' })} ${clock(at)}`

/** Minutes, whichever way they lie, as a length of time. */
export const span = (minutes: number) => {
  const size = Math.abs(Math.round(minutes))
  if (size < 60) return `${size} min`
  return size % 60 ? `${Math.floor(size / 60)} h ${size % 60} min` : `${size / 60} h`
}

/** Put the baker's units where the craft's sentences hold {value|unit}. */
const say = (text: string, now?: number) =>
  text.replace(/\{([^|{}]+)\|(\w+)\}/g, (_, value: string, unit: string) => {
    if (unit === 'c') return warmth(Number(value))
    if (unit === 'dc') return difference(Number(value))
    if (unit === 'g') return mass(Number(value))
    return now === undefined ? dayClock(value) : when(value, now)
  })

/** Shows the craft's Celsius, grams and instants in the baker's own units, and reads them back. */
export function useUnits() {
  return {
    fahrenheit,
    ounces,
    zone,
    toDegrees,
    fromDegrees,
    degree,
    warmth,
    difference,
    massNumber,
    massUnit,
    toMass,
    fromMass,
    mass,
    clock,
    weekday,
    day,
    dayKey,
    dayClock,
    when,
    localTime,
    span,
    say,
  }
}
