<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { useClipboard } from '@vueuse/core'
import { computed } from 'vue'
import { api, ask } from '../../api/client'
import { words } from '../../words'
import FoldedPart from '../../forms/FoldedPart.vue'

/** The feeds in the baker's own calendar: an address that only this kitchen and its calendars know. */
const t = words.cultures
const client = useQueryClient()
const query = useQuery({
  queryKey: ['calendar-address'],
  queryFn: () => ask(api.GET('/api/calendar-address')),
  staleTime: Infinity,
})
const address = computed(() => (query.data.value ? `${location.origin}${query.data.value.path}` : ''))
const { copy, copied, isSupported } = useClipboard({ source: address })

async function renew() {
  client.setQueryData(['calendar-address'], await ask(api.POST('/api/calendar-address')))
}
</script>

<template>
  <FoldedPart :title="t.calendarAll" class="calendar small">
    <p>{{ t.calendarHow }}</p>
    <ElInput :model-value="address" readonly :aria-label="t.calendarAddress">
      <template v-if="isSupported" #append>
        <ElButton @click="copy()">{{ copied ? t.calendarCopied : t.calendarCopy }}</ElButton>
      </template>
    </ElInput>
    <p>{{ t.calendarSecret }}</p>
    <p class="acts">
      <ElPopconfirm
        :title="t.calendarSurely"
        :confirm-button-text="t.calendarRenew"
        :cancel-button-text="words.door.keep"
        width="260"
        @confirm="renew"
      >
        <template #reference>
          <ElButton>{{ t.calendarRenew }}</ElButton>
        </template>
      </ElPopconfirm>
      <ElButton tag="a" href="/api/calendar.ics">{{ t.calendarOnce }}</ElButton>
    </p>
  </FoldedPart>
</template>

<style scoped>
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin: 8px 0;
}
</style>
