import { scaleLinear } from 'd3-scale'

const HOUR = 3_600_000
const STEPS = [1, 2, 3, 6, 12, 24, 48, 96, 168]

export interface ClockTick {
  at: number
  x: number
  midnight: boolean
}

/** A plain clock along `length` px, with ticks on whole local hours that are never closer than `gap` px. */
export function clockScale(
  start: number,
  end: number,
  length: number,
  gap: number,
  local: (at: number) => string,
) {
  const x = scaleLinear().domain([start, end]).range([0, length])
  const step = STEPS.find((hours) => ((hours * HOUR) / (end - start)) * length >= gap) ?? STEPS.at(-1)!
  const ticks: ClockTick[] = []
  let days = 0
  for (let at = Math.ceil(start / (HOUR / 4)) * (HOUR / 4); at <= end; at += HOUR / 4) {
    const [hour, minute] = local(at).split(':').map(Number) as [number, number]
    if (minute !== 0) continue
    const midnight = hour === 0
    if (midnight) days += 1
    const wanted = step < 24 ? hour % step === 0 : midnight && days % (step / 24) === 0
    if (wanted) ticks.push({ at, x: x(at), midnight })
  }
  return { x: (at: number | string) => x(typeof at === 'number' ? at : Date.parse(at)), ticks, step }
}
