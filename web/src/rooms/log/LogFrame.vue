<script setup lang="ts">
import { RouterLink } from 'vue-router'
import { words } from '../../words'

/** The pages of the log: bakes, figures over time, trials. */
const t = words.log
const pages = [
  { to: '/log', name: t.tab.bakes },
  { to: '/log/time', name: t.tab.time },
  { to: '/log/trials', name: t.tab.trials },
  { to: '/log/learnt', name: t.tab.learnt },
  { to: '/log/practice', name: t.tab.practice },
]
defineProps<{ lead: string }>()
</script>

<template>
  <div class="log">
    <header>
      <div>
        <h1>{{ words.bakes.title }}</h1>
        <p class="quiet">{{ lead }}</p>
      </div>
      <slot name="beside" />
    </header>
    <nav class="no-print" :aria-label="words.bakes.title">
      <RouterLink v-for="page in pages" :key="page.to" :to="page.to" exact-active-class="here">{{
        page.name
      }}</RouterLink>
    </nav>
    <slot />
  </div>
</template>

<style scoped>
.log {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  align-content: start;
  gap: 14px;
  max-width: 980px;
  padding: 24px 28px 48px;
}
header {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 8px 24px;
  align-items: end;
}
h1 {
  font-size: 2.75rem;
}
nav {
  display: flex;
  flex-wrap: wrap;
  gap: 0 24px;
  border-bottom: 1px solid var(--hairline);
}
nav a {
  display: grid;
  place-items: center;
  min-height: 44px;
  margin-bottom: -1px;
  border-bottom: 3px solid transparent;
  color: var(--quiet);
  text-decoration: none;
}
nav a.here {
  color: var(--ink);
  font-weight: 650;
  border-color: var(--ink);
}
@media (max-width: 720px) {
  .log {
    padding: 16px 16px 32px;
  }
  h1 {
    font-size: 2.25rem;
  }
}
</style>
