import { scaleLinear } from 'd3-scale'

const STOPS: [number, string][] = [
  [2, '#3d5a84'],
  [10, '#6e93a6'],
  [16, '#a9bdb0'],
  [20, '#ddd5a6'],
  [24, '#e2b24a'],
  [27, '#db8a2e'],
  [31, '#c95a22'],
  [36, '#9e2b1b'],
]

/** Colour of a dough temperature, C. Always shown with the figure beside it. */
export const doughColour = scaleLinear<string>()
  .domain(STOPS.map(([c]) => c))
  .range(STOPS.map(([, colour]) => colour))
  .clamp(true)

/** Ink or flour, whichever is read better on the colour of a temperature. */
export function onDough(c: number): string {
  return c < 6 || c > 30 ? '#ffffff' : '#1c2522'
}

/** What a figure on a dough stands on: its colour, or where neither ink nor flour is read well on that, something light. */
export function groundOf(c: number): string {
  return c >= 6 && c < 10.5 ? '#e4ecec' : doughColour(c)
}

/** The crust from raw dough to dark, 0-1. */
export const crustColour = scaleLinear<string>()
  .domain([0, 0.3, 0.55, 0.8, 1])
  .range(['#e9dfc6', '#d9b36a', '#b0722e', '#7a4318', '#3f2412'])
  .clamp(true)
