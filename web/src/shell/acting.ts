import { ref } from 'vue'
import { asRefused } from './newest'

/** Something that is sent once a button is pressed: whether it is on its way, and in a sentence why it failed. */
export function useActing() {
  const busy = ref(false)
  const problem = ref('')
  /** Do it; whether it went well. */
  async function act(doing: () => Promise<unknown>): Promise<boolean> {
    busy.value = true
    problem.value = ''
    try {
      await doing()
      return true
    } catch (error) {
      problem.value = asRefused(error).message
      return false
    } finally {
      busy.value = false
    }
  }
  return { busy, problem, act }
}
