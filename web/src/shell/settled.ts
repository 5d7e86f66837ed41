import { useIsFetching } from '@tanstack/vue-query'
import { ref, watch } from 'vue'
import { inTurn } from './turns'

/** Whether all that was asked for when a page opened has come: till then what would be pushed about is not shown. */
export function useSettled() {
  const asking = useIsFetching()
  const settled = ref(false)
  const stop = watch(
    asking,
    (many) => {
      if (!many) inTurn(() => (settled.value ||= !asking.value))
    },
    { immediate: true },
  )
  watch(settled, stop)
  return settled
}
