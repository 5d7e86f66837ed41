import { onMounted, onUnmounted, ref, type Ref } from 'vue'

/** The width of an element, as it changes. */
export function useWidth(element: Ref<HTMLElement | null>, start: number) {
  const width = ref(start)
  let watcher: ResizeObserver | undefined
  onMounted(() => {
    if (!element.value) return
    width.value = element.value.clientWidth
    watcher = new ResizeObserver((entries) => (width.value = entries[0]!.contentRect.width))
    watcher.observe(element.value)
  })
  onUnmounted(() => watcher?.disconnect())
  return width
}

/** Whether a media query holds, as it changes. */
export function useMedia(query: string) {
  const media = window.matchMedia(query)
  const holds = ref(media.matches)
  const change = () => (holds.value = media.matches)
  media.addEventListener('change', change)
  onUnmounted(() => media.removeEventListener('change', change))
  return holds
}
