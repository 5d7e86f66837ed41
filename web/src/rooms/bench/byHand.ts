import { mass } from '../../shell/units'
import { told, words } from '../../words'

/** A kind of stage as its baker calls it. */
export const stageName = (kind: unknown) => words.method.names[String(kind)] ?? String(kind)

/** A change by hand, as it was kept, in the words in which it was pressed. */
export function byHand(body: Record<string, unknown>): string {
  return told(words.byHand.told[String(body.code)], {
    stage: stageName(String(body.stage).split('-')[0]),
    kind: stageName(body.kind),
    pieces: Number(body.pieces ?? 0),
    mass: mass(Number(body.dough_g ?? 0)),
  })
}
