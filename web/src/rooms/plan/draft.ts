import type { Asked } from '../../api/client'

const DRAFT = 'gentle-crust.draft'

export interface Draft {
  asked: Asked
  /** The saved plan that it changes; null of one that was not saved yet. */
  id: string | null
}

/** A question with nothing but the formula settled. */
export const about = (formula: string): Asked => ({
  formula_id: formula,
  culture: 'lively',
  ready_means: 'out',
  fridge_days: 0,
  school: 'by_dough',
  later_pieces: 0,
  later_days: 1,
  yeast_supplement_percent: 0,
})

export function storedDraft(): Draft | null {
  try {
    const draft = JSON.parse(localStorage.getItem(DRAFT) ?? 'null') as Draft | null
    return draft && typeof draft.asked?.formula_id === 'string' ? draft : null
  } catch {
    return null
  }
}
export const keepDraft = (draft: Draft) => localStorage.setItem(DRAFT, JSON.stringify(draft))
export const forgetDraft = () => localStorage.removeItem(DRAFT)

/** Another room's wish: what the Plan room opens with when it is gone to next. */
export const planWith = (formula: string, part: Partial<Asked>) =>
  keepDraft({ asked: { ...about(formula), ...part }, id: null })
