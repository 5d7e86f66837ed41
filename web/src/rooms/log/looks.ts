import type { Schemas } from '../../api/client'
import { words } from '../../words'

type Sheet = Schemas['Sheet']
const t = words.loaf

/** What a sheet says, look by look, in words; the colours of top and base are the core's to name. */
export function looksOf(sheet: Sheet, top?: string | null, base?: string | null): [string, string, string][] {
  const of = (name: keyof Sheet, says: Record<string, string>) => {
    const value = sheet[name]
    return value == null || value === '' ? undefined : says[String(value)]
  }
  const skin = (['blisters', 'shine', 'flour_blotches'] as const).filter((name) => sheet[name])
  const found: [string, string, string | undefined][] = [
    ['keeps', t.keeps, of('keeps', t.keepings)],
    ['liked', t.liked, sheet.liked == null ? undefined : t.likings[sheet.liked - 1]],
    ['form', t.looks.form!, of('form', t.form)],
    ['scores', t.looks.scores!, of('scores', t.scores)],
    ['blow_out', t.looks.blow_out!, of('blow_out', t.blow_out)],
    ['bottom', t.looks.bottom!, of('bottom', t.bottom)],
    ['top_colour', t.looks.top_colour!, top ?? undefined],
    ['base_colour', t.looks.base_colour!, base ?? undefined],
    ['blisters', t.skin, skin.map((name) => t.skins[name]).join(', ')],
    ['openness', t.looks.openness!, of('openness', t.openness)],
    ['holes', t.looks.holes!, sheet.holes.map((each) => t.holes[each]).join(', ')],
    ['walls', t.looks.walls!, of('walls', t.walls)],
    ['bite', t.looks.bite!, of('bite', t.bite)],
    ['crumb_colour', t.looks.crumb_colour!, of('crumb_colour', t.crumb_colour)],
    ['sourness', t.looks.sourness!, sheet.sourness == null ? undefined : t.sournesses[sheet.sourness]],
    ['flavour', t.looks.flavour!, sheet.flavour == null ? undefined : t.flavours[sheet.flavour - 1]],
    ['crust', t.looks.crust!, of('crust', t.crust)],
    ['salt', t.looks.salt!, of('salt', t.salt)],
    ['again', t.again, sheet.again == null ? undefined : t.agains[String(sheet.again)]],
  ]
  return found.filter((each): each is [string, string, string] => Boolean(each[2]))
}
