import type { Schemas } from '../../api/client'
import type { useUnits } from '../../shell/units'
import { words } from '../../words'

type Told = Pick<Schemas['CultureView'], 'life' | 'health' | 'guide'>

/** How a culture is, in a few words with a clock time: what a baker reads first. */
export function stateOf(told: Told, { when }: ReturnType<typeof useUnits>, now: number): string {
  const t = words.cultures.states
  const at = (time: string) => when(time, now)
  if (told.health?.code === 'contaminated') return t.contaminated
  if (told.guide) return t.guide({ day: told.guide.day, stage: t.stages[told.guide.stage] ?? '' })
  const { life, health } = told
  if (!life || !health) return t.unknown
  if (health.code === 'hungry') return t.hungry
  const { rising, ripe } = health.phases
  if (health.code === 'past_peak') return t.past
  if (ripe >= rising) return life.spent.likely ? t.ripeUntil({ at: at(life.spent.likely) }) : t.ripe
  return life.ripe.likely ? t.ripeFrom({ at: at(life.ripe.likely) }) : t.rising
}
