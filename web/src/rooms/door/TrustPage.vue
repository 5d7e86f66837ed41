<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { api, ask } from '../../api/client'
import { survives } from '../../shell/worker'
import { words } from '../../words'

/** How a phone comes to trust this kitchen, what that means, and how it is undone. */
const t = words.trust
const trust = useQuery({ queryKey: ['trust'], queryFn: () => ask(api.GET('/api/trust')) })
const found = computed(() => trust.data.value)
const until = computed(() =>
  new Date(found.value?.until ?? 0).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'long',
    year: 'numeric',
  }),
)
</script>

<template>
  <section class="trust">
    <h1>{{ t.title }}</h1>
    <ElSkeleton v-if="trust.isPending.value" :rows="4" animated />
    <p v-else-if="trust.isError.value" class="inverted error" role="alert">{{ words.failed }}</p>
    <template v-else-if="!found?.served">
      <p>{{ t.notServed }}</p>
      <pre>gentle-crust serve --lan</pre>
    </template>
    <template v-else>
      <p class="lead">{{ t.why }}</p>
      <p v-if="survives === 'yes'" class="inverted done" role="status">{{ t.done }}</p>
      <div class="two">
        <div>
          <h2>{{ t.first }}</h2>
          <p>{{ t.compare }}</p>
          <p class="mark">{{ found.fingerprint }}</p>
          <ElButton tag="a" class="action" size="large" href="/api/trust/authority.crt" download>{{
            t.fetch
          }}</ElButton>
          <h2>{{ t.android }}</h2>
          <ol>
            <li v-for="step in t.androidSteps" :key="step">{{ step }}</li>
          </ol>
          <h2>{{ t.iphone }}</h2>
          <ol>
            <li v-for="step in t.iphoneSteps" :key="step">{{ step }}</li>
          </ol>
        </div>
        <div>
          <img :src="found.qr" :alt="t.qr({ address: `${found.address}trust` })" width="205" height="205" />
          <p class="elsewhere">
            {{ t.open }}<br /><strong class="address">{{ found.address }}trust</strong>
          </p>
          <h2>{{ t.means }}</h2>
          <ul>
            <li>{{ t.limited({ names: (found.names ?? []).join(', ') }) }}</li>
            <li>{{ t.key }}</li>
            <li>{{ t.until({ day: until }) }}</li>
            <li>{{ t.moved }}</li>
          </ul>
          <h2>{{ t.undo }}</h2>
          <p>{{ t.undoHow }}</p>
        </div>
      </div>
    </template>
  </section>
</template>

<style scoped>
.trust {
  max-width: 1040px;
  padding: 24px 28px 48px;
}
h1 {
  font-size: 2.5rem;
}
h2 {
  margin: 20px 0 6px;
}
.lead {
  max-width: 68ch;
  margin: 8px 0 12px;
}
.done {
  padding: 10px 14px;
  margin-bottom: 16px;
}
.two {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(340px, 100%), 1fr));
  gap: 0 56px;
}
.mark {
  font: 620 1.1875rem/1.5 var(--show);
  letter-spacing: 0.04em;
  overflow-wrap: anywhere;
  margin: 4px 0 12px;
}
.address {
  overflow-wrap: anywhere;
}
ol,
ul {
  padding-left: 22px;
  display: grid;
  gap: 6px;
}
ol {
  list-style: decimal;
}
ul {
  list-style: disc;
}
img {
  background: #fff;
}
@media (max-width: 720px) {
  .trust {
    padding: 16px 16px 32px;
  }
  img,
  .elsewhere {
    display: none;
  }
}
</style>
