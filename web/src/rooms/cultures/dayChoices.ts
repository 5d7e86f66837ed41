import { dayAfter, nameOfDay } from '../../shell/days'
import { words } from '../../words'

/** Today and the three days after it, and the one that is chosen, by their calendar days. */
export function dayChoices(today: string, chosen: string, ahead = 3) {
  const found = Array.from({ length: ahead + 1 }, (_, day) => {
    const value = dayAfter(today, day)
    return { value, label: [words.plan.today, words.plan.tomorrow][day] ?? nameOfDay(value, day >= 7) }
  })
  return found.some((each) => each.value === chosen)
    ? found
    : [...found, { value: chosen, label: nameOfDay(chosen, true) }]
}
