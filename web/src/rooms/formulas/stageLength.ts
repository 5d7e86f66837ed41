/** Steps in which a stage is drawn longer or shorter: fine where minutes count, coarse over a night. */
export const SHORTEST_MIN = 5
export const MOST_MIN = 5 * 24 * 60
const FINE_TO = 3 * 60
const MIDDLE_TO = 6 * 60

const step = (minutes: number) => (minutes < FINE_TO ? 5 : minutes < MIDDLE_TO ? 15 : 30)

const within = (minutes: number) => Math.min(Math.max(minutes, SHORTEST_MIN), MOST_MIN)

/** So many minutes, to the nearest step. */
export const stepped = (minutes: number) => within(Math.round(minutes / step(minutes)) * step(minutes))

/** The next step up or down from so many minutes. */
export function nextStep(minutes: number, way: 1 | -1): number {
  const by = step(way < 0 ? minutes - 1 : minutes)
  return within(way > 0 ? (Math.floor(minutes / by) + 1) * by : (Math.ceil(minutes / by) - 1) * by)
}

/** How a method writes that a stage takes so many minutes. */
export function written(minutes: number): { minutes: number } | { hours: [number, number] } {
  return minutes < MIDDLE_TO ? { minutes } : { hours: [minutes / 60, minutes / 60] }
}
