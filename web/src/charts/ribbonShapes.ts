import { area, curveMonotoneX, curveMonotoneY, line } from 'd3-shape'
import type { Plan } from '../api/client'
import { words } from '../words'
import { doughColour } from './temperature'
import { spaced, timeline } from './timeline'

export interface Frame {
  /** Px along time and across (volume). */
  length: number
  across: number
  bake: number
  down: boolean
  labelGap: number
}

interface Stop {
  offset: number
  colour: string
}

/** The figure that is written at the start of a stretch is that of the dough under it, so many units on. */
const BESIDE_START = 24

/** Everything of a plan's ribbon in drawing coordinates: u along time, v across from the flat base. */
export function ribbonShapes(plan: Plan, frame: Frame) {
  const { ribbon } = plan
  const time = timeline(ribbon, frame.length, frame.bake)
  const highest = 1 + ribbon.greatest_rise
  const v = (rise: number) => (Math.min(1 + rise, highest * 1.12) / (highest * 1.12)) * frame.across
  const uv = (u: number, across: number) => (frame.down ? { x: across, y: u } : { x: u, y: -across })
  const curve = frame.down ? curveMonotoneY : curveMonotoneX

  type P = (typeof ribbon.parts)[number]['points'][number]
  const u = (point: P) => time.u(Date.parse(point.at))
  const between = (low: (point: P) => number, high: (point: P) => number) => {
    const shape = area<P>().curve(curve)
    if (frame.down) shape.y(u).x0(low).x1(high)
    else
      shape
        .x(u)
        .y0((point) => -low(point))
        .y1((point) => -high(point))
    return shape
  }
  const body = between(
    () => 0,
    (point) => v(point.rise),
  )
  const band = between(
    (point) => v(point.rise_low),
    (point) => v(point.rise_high),
  )
  const ridge = line<P>().curve(curve)
  if (frame.down) ridge.y(u).x((point) => v(point.rise))
  else ridge.x(u).y((point) => -v(point.rise))

  const parts = ribbon.parts.map((part, index) => {
    const start = u(part.points[0]!)
    const end = u(part.points.at(-1)!)
    const stops: Stop[] = part.points.map((point) => ({
      offset: (u(point) - start) / Math.max(end - start, 1),
      colour: doughColour(point.dough_c),
    }))
    const last = part.points.at(-1)!
    const first = part.points[0]!
    return {
      id: `${part.kind}-${index}`,
      kind: part.kind,
      title: part.title,
      start,
      end,
      stops,
      body: body(part.points)!,
      band: band(part.points)!,
      ridge: ridge(part.points)!,
      first,
      last,
      near:
        part.points.find((point) => u(point) - start >= Math.min(BESIDE_START, 0.3 * (end - start))) ?? last,
      target: part.target_rise == null ? null : v(part.target_rise),
      targetRise: part.target_rise,
      top: v(last.rise),
    }
  })

  /** The ridge of the same dough under other conditions, part by part. */
  const shaded = (others: typeof ribbon.parts) => others.map((part) => ridge(part.points)!)

  const nights = ribbon.nights
    .map((night) => ({
      start: Math.max(time.u(Date.parse(night.start)), 0),
      end: Math.min(time.u(Date.parse(night.end)), time.u(time.bakeStart)),
    }))
    .filter((night) => night.end - night.start > 6)

  const ranks: Record<string, number> = {
    out: 0,
    load: 1,
    mix: 2,
    chill: 3,
    divide: 4,
    shape: 5,
    levain: 3,
    preferment: 3,
    feed: 4,
  }
  /** Only the first part is drawn: what is done for the others stands in the steps. */
  const drawn = plan.steps.filter((step) => !step.part || step.part === plan.outs[0]?.name)
  const pins = drawn
    .filter((step) => step.kind in words.plan.pins)
    .filter(
      (step, index, all) =>
        step.kind !== 'out' || index === all.findLastIndex((other) => other.kind === 'out'),
    )
    .filter(
      (step, index, all) => step.kind !== 'load' || index === all.findIndex((other) => other.kind === 'load'),
    )
    .map((step) => ({
      u: time.u(Date.parse(step.at)),
      at: step.at,
      word: words.plan.pins[step.kind]!,
      rank: ranks[step.kind] ?? 9,
      kind: step.kind,
    }))
  const handsOn = drawn
    .filter((step) => step.minutes > 0 && Date.parse(step.at) <= time.bakeEnd)
    .map((step) => time.u(Date.parse(step.at)))

  return {
    time,
    uv,
    v,
    parts,
    shaded,
    nights,
    handsOn,
    pins: spaced(pins, frame.labelGap),
    folds: ribbon.folds.map((at) => time.u(Date.parse(at))),
    breaks: time.breaks,
    one: v(0),
    two: highest > 1.85 ? v(1) : null,
  }
}

/** The bake's own scale: temperature to a share of the inset's height. */
export function bakeShapes(plan: Plan, time: ReturnType<typeof timeline>) {
  const stages = plan.ribbon.bake.map((stage) => ({
    ...stage,
    from: time.u(Date.parse(stage.start)),
    to: time.u(Date.parse(stage.end)),
    minutes: Math.round((Date.parse(stage.end) - Date.parse(stage.start)) / 60_000),
  }))
  const share = (c: number) => Math.min(c / 285, 1)
  const core = plan.ribbon.core.map((point) => ({
    u: time.u(Date.parse(point.at)),
    share: share(point.core_c),
    c: point.core_c,
  }))
  return { stages, core, share }
}
