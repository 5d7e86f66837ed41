import { useQuery } from '@tanstack/vue-query'
import { computed, onScopeDispose, ref, shallowRef, watch, type Ref } from 'vue'
import { api, ask, type Asked } from '../../api/client'

const SETTLES_MS = 450

/** What is asked for beside the plan once a hand has rested: the ways to get there, and shades over it. */
export function useAside(asked: Ref<Asked | null>) {
  const settled = shallowRef<Asked | null>(null)
  let timer: ReturnType<typeof setTimeout> | undefined
  watch(
    asked,
    (value) => {
      clearTimeout(timer)
      timer = setTimeout(() => (settled.value = value?.ready ? value : null), SETTLES_MS)
    },
    { immediate: true },
  )
  onScopeDispose(() => clearTimeout(timer))
  const shading = ref<string | null>(null)
  const explaining = ref(false)
  const body = computed(() => settled.value!)
  const ways = useQuery({
    queryKey: computed(() => ['ways', settled.value]),
    queryFn: () => ask(api.POST('/api/plan/ways', { body: body.value })),
    enabled: computed(() => settled.value !== null),
    placeholderData: (before) => before,
  })
  const shades = useQuery({
    queryKey: computed(() => ['what-if', settled.value]),
    queryFn: () => ask(api.POST('/api/plan/what-if', { body: body.value })),
    enabled: computed(() => settled.value !== null),
    placeholderData: (before) => before,
  })
  const why = useQuery({
    queryKey: computed(() => ['why', settled.value]),
    queryFn: () => ask(api.POST('/api/plan/why', { body: body.value })),
    enabled: computed(() => explaining.value && settled.value !== null),
    placeholderData: (before) => before,
  })
  const shade = computed(() => shades.data.value?.shades.find((each) => each.code === shading.value) ?? null)
  return { settled, ways, shades, why, shading, shade, explaining }
}
