import { reactive, watch } from 'vue'
import { api, ask, type Schemas, type Settings } from '../../api/client'
import type { FormulaLine } from '../../shell/formulas'
import { useNewest } from '../../shell/newest'

export type WaterBody = Schemas['WaterBody']
type Bowl = NonNullable<WaterBody['bowl']>
const KEY = 'gentle-crust.water'

/** What the baker found last time at the bowl: it is likely much the same today. */
function remembered(): Partial<WaterBody> {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<WaterBody>
  } catch {
    return {}
  }
}

/** The water question in hand and the server's answer; the newest question wins. */
export function useWater(formula: FormulaLine, pieces: number | null, settings: Settings) {
  const old = remembered()
  const room = settings.room_day_c
  const asked = reactive<WaterBody>({
    formula_id: formula.id,
    pieces: pieces ?? formula.pieces,
    scaling_weight_g: formula.scaling_weight_g,
    target_dough_c: formula.dough_c,
    mixing: old.mixing ?? (formula.mixing as WaterBody['mixing']),
    mixing_min: null,
    speed: 'usual',
    flour_c: room,
    room_c: room,
    levain_c: room,
    tap_c: settings.tap_c,
    hot_tap_c: settings.hot_tap_c ?? null,
    ice_c: old.ice_c ?? -18,
    altitude_m: settings.altitude_m,
    bowl: null,
  })
  const asking = useNewest(
    () => ({ ...asked }),
    (body) => ask(api.POST('/api/water', { body })),
  )
  watch(asked, () => localStorage.setItem(KEY, JSON.stringify({ mixing: asked.mixing, ice_c: asked.ice_c })))

  /** Another way of mixing is done for its own usual minutes. */
  watch(
    () => asked.mixing,
    () => Object.assign(asked, { mixing_min: null, speed: 'usual' }),
  )

  /** A formula brings its own warmth and pieces. */
  function take(other: FormulaLine) {
    asked.formula_id = other.id
    asked.pieces = other.pieces
    asked.scaling_weight_g = other.scaling_weight_g
    asked.target_dough_c = other.dough_c
  }
  const bowl = (material: Bowl['material'] | 'none') => {
    asked.bowl = material === 'none' ? null : { material, g: 900, c: asked.room_c }
  }
  return { asked, ...asking, take, bowl }
}
