<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, defineAsyncComponent, provide, watch } from 'vue'
import { RouterLink, RouterView, useRoute } from 'vue-router'
import { api, ask, signedOut } from './api/client'
import CountsTip from './shell/CountsTip.vue'
import InTurn from './shell/InTurn.vue'
import { useBench } from './shell/bench'
import { useKitchen, useNow } from './shell/kitchen'
import { REMINDERS, useReminders } from './shell/reminders'
import { readAs, useUnits } from './shell/units'
import { words } from './words'
import { hardware } from './shell/hardware'

const SignIn = defineAsyncComponent(() => import('./rooms/door/SignIn.vue'))

const route = useRoute()
const now = useNow()
const { clock, span } = useUnits()
const { query: kitchen, settings } = useKitchen()
watch(settings, readAs, { immediate: true, flush: 'sync' })
const { doughs, follow } = useBench()
watch(kitchen.data, (found) => found && follow(Date.parse(found.now), found.rate), { immediate: true })
provide(REMINDERS, useReminders(doughs, now))
const due = useQuery({
  queryKey: ['plans', 'next'],
  queryFn: () => ask(api.GET('/api/next')),
  refetchInterval: 60_000,
})

const rooms = [
  { to: '/bench', name: words.rooms.bench },
  { to: '/log', name: words.rooms.log },
  { to: '/plan', name: words.rooms.plan },
  { to: '/formulas', name: words.rooms.formulas },
  { to: '/cultures', name: words.rooms.cultures },
  { to: '/oven', name: words.rooms.oven },
  { to: '/water', name: words.rooms.water, wide: true },
  { to: '/kitchen', name: words.rooms.kitchen },
]

const next = computed(() => {
  const coming = due.data.value?.next
  if (!coming) return null
  const minutes = Math.round((Date.parse(coming.at) - now.value) / 60_000)
  const length = span(minutes)
  const away = minutes === 0 ? words.shell.now : minutes < 0 ? words.shell.late({ span: length }) : length
  const to =
    coming.kind === 'culture'
      ? `/cultures/${coming.whose}?do=feed`
      : `/${coming.kind === 'bench' ? 'bench' : 'plan'}/${coming.whose}`
  return { title: coming.title, away, to }
})
</script>

<template>
  <a class="skip" href="#content">{{ words.shell.skip }}</a>
  <header class="shelf no-print">
    <RouterLink to="/plan" class="mark">{{ words.app }}</RouterLink>
    <nav class="rooms" :aria-label="words.shell.rooms">
      <RouterLink
        v-for="room in rooms"
        :key="room.to"
        :to="room.to"
        :class="{ here: route.path.startsWith(room.to), wide: room.wide }"
        :aria-current="route.path.startsWith(room.to) ? 'page' : undefined"
        >{{ room.name }}</RouterLink
      >
    </nav>
    <RouterLink v-if="next && !route.path.startsWith('/bench')" class="next inverted" :to="next.to">
      <span class="next-title">{{ next.title }}</span> <span class="next-away">{{ next.away }}</span>
    </RouterLink>
    <InTurn v-if="settings">
      <time class="clock time">{{ clock(now) }}</time>
    </InTurn>
  </header>
  <main id="content" tabindex="-1">
    <ElConfigProvider :locale="hardware">
      <SignIn v-if="signedOut && route.name !== 'trust'" />
      <InTurn v-else><RouterView /></InTurn>
    </ElConfigProvider>
    <InTurn><CountsTip /></InTurn>
  </main>
</template>

<style scoped>
.skip {
  position: absolute;
  left: -999px;
  top: 8px;
  padding: 12px;
  background: var(--ink);
  color: var(--flour);
  z-index: 10;
}
.skip:focus {
  left: 8px;
}
.shelf {
  display: flex;
  align-items: center;
  flex-wrap: wrap;
  gap: 0 24px;
  min-height: 56px;
  padding: 0 28px;
  border-bottom: 1.5px solid var(--ink);
}
.mark {
  font: 700 1.3125rem/1 var(--show);
  letter-spacing: -0.025em;
  text-decoration: none;
  white-space: nowrap;
}
.rooms {
  display: flex;
  flex-wrap: wrap;
  gap: 0 24px;
  align-self: stretch;
  margin-right: auto;
}
.rooms a {
  display: grid;
  place-items: center;
  min-height: 54.5px;
  min-width: 44px;
  padding-top: 3px;
  border-bottom: 3px solid transparent;
  color: var(--quiet);
  text-decoration: none;
}
.rooms a:hover {
  color: var(--ink);
}
.rooms a.here {
  color: var(--ink);
  font-weight: 650;
  border-color: var(--ink);
}
.next {
  display: flex;
  gap: 12px;
  align-items: baseline;
  padding: 8px 14px;
  border-radius: var(--corner);
  text-decoration: none;
}
.next-title {
  font-weight: 600;
}
.time {
  font-size: 1.375rem;
}
main:focus {
  outline: none;
}
@media (max-width: 1100px) {
  .shelf {
    gap: 0 14px;
    padding: 0 20px;
  }
  .rooms {
    gap: 14px;
  }
  .rooms .wide {
    display: none;
  }
  .next {
    min-width: 0;
    max-width: 100%;
  }
  .next-title {
    overflow: hidden;
    text-overflow: ellipsis;
  }
}
@media (max-width: 860px) {
  .time {
    display: none;
  }
}
@media (max-width: 720px) {
  .shelf {
    gap: 0 12px;
    padding: 6px 16px;
    justify-content: space-between;
  }
  .mark {
    font-size: 1.125rem;
  }
  .next {
    padding: 6px 10px;
    font-size: 0.9375rem;
    gap: 8px;
  }
  .rooms {
    position: fixed;
    inset: auto 0 0 0;
    z-index: 5;
    min-height: 56px;
    margin: 0;
    gap: 0;
    font-size: 0.8125rem;
    justify-content: space-around;
    background: var(--flour);
    border-top: 1.5px solid var(--ink);
  }
  .rooms a {
    flex: 1 1 auto;
    min-width: 0;
    padding: 0 1px;
    line-height: 1.15;
    text-align: center;
    overflow-wrap: anywhere;
    border-bottom: 0;
    border-top: 3px solid transparent;
  }
  main {
    padding-bottom: 72px;
  }
}
</style>
