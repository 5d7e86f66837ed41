/** Our own drawings of a loaf: its outline over a base line at 38, in a field of 64 by 44. */
export const OUTLINES: Record<string, string> = {
  domed: 'M7 38Q4 36 6 30Q11 9 32 9Q53 9 58 30Q60 36 57 38Z',
  round: 'M14 38Q5 32 7 24Q10 6 32 6Q54 6 57 24Q59 32 50 38Z',
  flat: 'M5 38Q2 36 4 33Q9 25 32 25Q55 25 60 33Q62 36 59 38Z',
  spread: 'M3 38Q1 36 4 35Q14 31 32 31Q50 31 60 35Q63 36 61 38Z',
  mushroomed: 'M17 38V28Q4 27 6 18Q12 6 32 6Q52 6 58 18Q60 27 47 28V38Z',
  caved_in: 'M7 38Q4 36 6 30Q9 13 19 13Q25 13 32 21Q39 13 45 13Q55 13 58 30Q60 36 57 38Z',
}
/** What the knife left, over a domed loaf. */
export const SCORES: Record<string, string[]> = {
  closed: ['M20 17Q32 13 44 17'],
  opened: ['M17 21Q32 9 47 21Q32 25 17 21Z'],
  ear: ['M16 23Q30 14 48 18Q34 25 16 23Z', 'M16 23Q24 5 47 8Q51 12 48 18'],
  tore_beside: ['M22 15Q32 12 42 15', 'M10 31L15 27L13 23L19 21L17 17'],
}
export const BLOWN: Record<string, string> = {
  none: '',
  side: 'M57 32Q65 29 63 22Q61 16 53 19',
  top: 'M24 10Q26 1 33 2Q41 1 41 11',
  end: 'M6 32Q-1 28 2 20Q6 14 12 18',
  base: 'M20 38Q22 44 30 43Q38 44 40 38',
}
export const BOTTOMS: Record<string, string> = {
  flat: 'M6 38H58',
  hollow: 'M6 38Q32 27 58 38',
  burst: 'M6 38H24L28 42L32 35L36 42L40 38H58',
}

type Hole = [x: number, y: number, r: number]
/** Holes are always the same: so many on a spiral that fills the slice, the larger ones nearer its middle. */
function spiral(count: number, least: number, most: number): Hole[] {
  return Array.from({ length: count }, (_, index) => {
    const turn = index * 2.399963
    const out = Math.sqrt((index + 0.5) / count)
    const size = least + (most - least) * ((index * 7) % 10) * 0.1
    return [32 + 21 * out * Math.cos(turn), 25 + 11 * out * Math.sin(turn), size]
  })
}
export const OPENNESS: Record<string, Hole[]> = {
  tight: spiral(26, 0.4, 0.7),
  even_small: spiral(42, 0.9, 1.3),
  even_medium: spiral(26, 1.5, 2.1),
  open: spiral(18, 1.2, 3.9),
  wild: [...spiral(16, 0.4, 0.9), [24, 20, 6], [41, 25, 5], [31, 31, 3]],
}
export const HOLES_AT: Record<string, Hole[]> = {
  everywhere: spiral(24, 1.4, 2.2),
  under_crust: [[20, 15, 3], [28, 12, 3.6], [37, 12, 3.4], [45, 15, 2.8], ...spiral(16, 0.4, 0.7)],
  middle: [[32, 25, 6], [25, 26, 3], [40, 24, 3.4], ...spiral(14, 0.4, 0.7)],
  tunnels: spiral(14, 0.4, 0.7),
  dense_base: spiral(20, 1.4, 2).filter(([, y]) => y < 29),
  ring: spiral(60, 0.8, 1.6).filter(([x, y]) => Math.hypot((x - 32) / 21, (y - 25) / 11) > 0.62),
} // prettier-ignore
export const TUNNELS = ['M21 33Q19 24 25 15', 'M33 35Q30 23 35 12', 'M44 32Q45 24 41 16']
