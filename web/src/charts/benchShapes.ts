import { area, curveMonotoneX, line } from 'd3-shape'
import type { BenchDough } from '../shell/bench'
import { doughColour } from './temperature'

type Point = BenchDough['ribbon']['parts'][number]['points'][number]

const HOUR = 3_600_000

/** The stretch of time that the bench shows: what is under way, until the last loaf is out. */
export function benchSpan(doughs: BenchDough[], now: number, past: number, future: number) {
  const starts = doughs.flatMap((dough) =>
    dough.ribbon.parts
      .filter((part) => happens(dough, part.kind))
      .map((part) => Date.parse(part.points[0]!.at)),
  )
  const ends = doughs.flatMap((dough) => [dough.out, ...dough.outs.map((part) => part.out)]).map(Date.parse)
  const start = Math.max(Math.min(now - HOUR, ...starts), now - past * HOUR)
  const end = Math.min(Math.max(now + 2 * HOUR, ...ends.map((end) => end + 0.4 * HOUR)), now + future * HOUR)
  return { start, end }
}

/** Whether a stretch is part of this dough's day: a levain that nobody built at the bench is not. */
function happens(dough: BenchDough, kind: string): boolean {
  if (!['feed', 'levain', 'poolish', 'biga', 'sponge'].includes(kind)) return true
  const step = ['feed', 'levain'].includes(kind) ? kind : 'preferment'
  return dough.steps.some((one) => one.kind === step && one.state !== 'skipped')
}

/** One dough in drawing coordinates: x by a common clock, height by its own greatest rise. */
export function benchShapes(
  dough: BenchDough,
  x: (at: number) => number,
  height: number,
  drawn = dough.ribbon.parts,
) {
  const highest = 1 + Math.max(dough.ribbon.greatest_rise, 0.4)
  const y = (rise: number) => -(Math.min(1 + rise, highest * 1.08) / (highest * 1.08)) * height
  const u = (point: Point) => x(Date.parse(point.at))
  const body = area<Point>()
    .curve(curveMonotoneX)
    .x(u)
    .y0(0)
    .y1((point) => y(point.rise))
  const band = area<Point>()
    .curve(curveMonotoneX)
    .x(u)
    .y0((point) => y(point.rise_low))
    .y1((point) => y(point.rise_high))
  const ridge = line<Point>()
    .curve(curveMonotoneX)
    .x(u)
    .y((point) => y(point.rise))
  const parts = drawn
    .filter((part) => happens(dough, part.kind))
    .map((part, index) => {
      const start = u(part.points[0]!)
      const end = u(part.points.at(-1)!)
      return {
        id: `${part.kind}-${index}`,
        kind: part.kind,
        start,
        end,
        last: part.points.at(-1)!,
        body: body(part.points)!,
        band: band(part.points)!,
        ridge: ridge(part.points)!,
        stops: part.points.map((point) => ({
          offset: (u(point) - start) / Math.max(end - start, 1),
          colour: doughColour(point.dough_c),
        })),
        target: part.target_rise == null ? null : y(part.target_rise),
      }
    })
  const riseAt = (at: number) => {
    for (const part of drawn) {
      const after = part.points.findIndex((point) => Date.parse(point.at) >= at)
      if (after > 0) return part.points[after]!.rise
    }
    return 0
  }
  return { parts, y, riseAt }
}
