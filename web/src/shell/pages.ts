import { keepPreviousData, useInfiniteQuery } from '@tanstack/vue-query'
import { computed, type MaybeRef } from 'vue'

/** A long list by pages: the first is asked for at once, each further one when it is wanted. */
export function usePages<T>(
  key: MaybeRef<string>[],
  ask: (more: string) => Promise<{ lines: T[]; more: string }>,
) {
  const query = useInfiniteQuery({
    queryKey: key,
    queryFn: ({ pageParam }) => ask(pageParam),
    initialPageParam: '',
    getNextPageParam: (last) => last.more || undefined,
    placeholderData: keepPreviousData,
  })
  const lines = computed(() => query.data.value?.pages.flatMap((page) => page.lines) ?? [])
  return {
    query,
    lines,
    more: query.hasNextPage,
    busy: query.isFetchingNextPage,
    further: query.fetchNextPage,
  }
}
