<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { RouterLink } from 'vue-router'
import { api, ask, signedOut, type Schemas } from '../../api/client'
import { forgetAll } from '../../shell/outbox'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** Devices that are let in from the network, and showing one out. */
const t = words.door
const client = useQueryClient()
const { day, clock } = useUnits()
const query = useQuery({ queryKey: ['devices'], queryFn: () => ask(api.GET('/api/devices')) })
type Device = Schemas['SignedIn']

async function showOut(one: Device) {
  if (one.mine) {
    await ask(api.POST('/api/sign-out'))
    await forgetAll()
    signedOut.value = true
    return
  }
  client.setQueryData(
    ['devices'],
    await ask(api.DELETE('/api/devices/{key}', { params: { path: { key: one.id } } })),
  )
}
const when = (one: Device) => t.seen({ day: day(one.seen), clock: clock(one.seen) })
</script>

<template>
  <section class="devices">
    <h2>{{ t.devices }}</h2>
    <p v-if="query.data.value && !query.data.value.needed" class="quiet">{{ t.notNeeded }}</p>
    <p v-else-if="query.data.value && !query.data.value.devices.length" class="quiet">{{ t.none }}</p>
    <ul v-else>
      <li v-for="one in query.data.value?.devices ?? []" :key="one.id">
        <span>
          <strong>{{ one.name }}</strong>
          <span class="small quiet">{{ one.mine ? t.mine : when(one) }}</span>
        </span>
        <ElPopconfirm
          :title="one.mine ? t.surelyMine : t.surely({ name: one.name })"
          :confirm-button-text="one.mine ? t.signOut : t.showOut"
          :cancel-button-text="t.keep"
          width="260"
          @confirm="showOut(one)"
        >
          <template #reference>
            <ElButton :aria-label="`${one.mine ? t.signOut : t.showOut}: ${one.name}`">{{
              one.mine ? t.signOut : t.showOut
            }}</ElButton>
          </template>
        </ElPopconfirm>
      </li>
    </ul>
    <p>
      <RouterLink to="/trust">{{ words.trust.title }}</RouterLink>
    </p>
  </section>
</template>

<style scoped>
.devices {
  margin-top: 28px;
  max-width: 560px;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 8px 0;
  border-bottom: 1px solid var(--hairline);
}
li > span {
  display: grid;
  line-height: 1.3;
}
</style>
