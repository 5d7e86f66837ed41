import { onMounted, onUnmounted, ref } from 'vue'

/** Keeps the screen lit while the bench is open; 'withheld' where the browser does not let it. */
export function useAwake() {
  const state = ref<'awake' | 'withheld' | 'off'>('off')
  let lock: WakeLockSentinel | undefined
  async function hold() {
    if (!('wakeLock' in navigator)) return void (state.value = 'withheld')
    if (document.hidden) return
    try {
      lock = await navigator.wakeLock.request('screen')
      state.value = 'awake'
      lock.addEventListener('release', () => (state.value = 'off'))
    } catch {
      state.value = 'withheld'
    }
  }
  const seen = () => void hold()
  onMounted(() => {
    seen()
    document.addEventListener('visibilitychange', seen)
  })
  onUnmounted(() => {
    document.removeEventListener('visibilitychange', seen)
    void lock?.release()
  })
  return state
}
