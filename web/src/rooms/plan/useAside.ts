import { computed, ref, type Ref } from 'vue'
import { api, ask, type Asked } from '../../api/client'
import { useNewest } from '../../shell/newest'

const SETTLES_MS = 450

/** What is asked for beside the plan once a hand has rested: the ways to get there, and shades over it. */
export function useAside(asked: Ref<Asked | null>, plan: Ref<string | null>) {
  const shading = ref<string | null>(null)
  const explaining = ref(false)
  const timed = () => (asked.value?.ready ? asked.value : null)
  /** The plan that a question is a change of does not stand in its own way. */
  const params = () => ({ query: { plan: plan.value ?? '' } })
  const ways = useNewest(timed, (body) => ask(api.POST('/api/plan/ways', { body, params: params() })), {
    wait: SETTLES_MS,
  })
  const shades = useNewest(timed, (body) => ask(api.POST('/api/plan/what-if', { body, params: params() })), {
    wait: SETTLES_MS,
  })
  const why = useNewest(
    () => (explaining.value ? timed() : null),
    (body) => ask(api.POST('/api/plan/why', { body, params: params() })),
    { wait: SETTLES_MS },
  )
  const shade = computed(
    () => shades.answer.value?.shades.find((each) => each.code === shading.value) ?? null,
  )
  return { ways, shades, why, shading, shade, explaining }
}
