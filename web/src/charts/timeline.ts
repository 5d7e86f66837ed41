import { scaleLinear } from 'd3-scale'
import type { Ribbon } from '../api/client'

const HOUR = 3_600_000

/** A place along the ribbon where a long rest is drawn shorter than it is. */
export interface Break {
  u: number
}

export interface Timeline {
  u: (at: number) => number
  length: number
  breaks: Break[]
  bakeStart: number
  bakeEnd: number
  start: number
  end: number
}

/** Drawn length of a stretch: hands-on time is stretched, long rests are shortened. */
function weight(hours: number): number {
  return 0.8 + 0.45 * Math.min(hours, 3) + 0.1 * Math.max(hours - 3, 0)
}

/** Place the instants of a ribbon along `length` px, the bake taking `bakeLength` of them at its own scale. */
export function timeline(ribbon: Ribbon, length: number, bakeLength: number): Timeline {
  const bakeStart = Date.parse(ribbon.bake[0]!.start)
  const bakeEnd = Date.parse(ribbon.bake.at(-1)!.end)
  const edges = new Set<number>([bakeStart])
  for (const part of ribbon.parts) {
    edges.add(Date.parse(part.points[0]!.at))
    edges.add(Math.min(Date.parse(part.points.at(-1)!.at), bakeStart))
  }
  if (ribbon.folds.length) edges.add(Date.parse(ribbon.folds.at(-1)!) + HOUR / 4)
  const merged: number[] = []
  for (const at of [...edges].sort((a, b) => a - b)) {
    if (!merged.length || at - merged.at(-1)! > 60_000) merged.push(at)
  }
  const weights = merged.slice(1).map((at, index) => weight((at - merged[index]!) / HOUR))
  const total = weights.reduce((sum, each) => sum + each, 0)
  const per = (length - bakeLength) / total
  const places = [0]
  for (const each of weights) places.push(places.at(-1)! + each * per)
  const scale = scaleLinear()
    .domain([...merged, bakeEnd])
    .range([...places, length])
  const breaks: Break[] = []
  weights.forEach((each, index) => {
    const hours = (merged[index + 1]! - merged[index]!) / HOUR
    if (hours > 3.6) breaks.push({ u: places[index]! + each * per * 0.5 })
  })
  return { u: (at) => scale(at), length, breaks, bakeStart, bakeEnd, start: merged[0]!, end: bakeEnd }
}

/** Leave out labels that would touch, the more important staying. */
export function spaced<T extends { u: number; rank: number }>(labels: T[], gap: number): T[] {
  const kept: T[] = []
  for (const label of [...labels].sort((a, b) => a.rank - b.rank)) {
    if (kept.every((other) => Math.abs(other.u - label.u) >= gap)) kept.push(label)
  }
  return kept.sort((a, b) => a.u - b.u)
}

/** Where each day of a ribbon begins: its first instant, and the midnights after it. */
export function dayStarts(
  time: Timeline,
  dayKey: (at: number) => string,
): { at: number; midnight: boolean }[] {
  const quarter = HOUR / 4
  const found = [{ at: time.start, midnight: false }]
  for (let at = Math.ceil(time.start / quarter) * quarter; at <= time.end; at += quarter) {
    if (dayKey(at) !== dayKey(at - quarter) && at > time.start) found.push({ at, midnight: true })
  }
  return found
}
