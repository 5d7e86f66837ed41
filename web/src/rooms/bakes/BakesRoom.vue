<script setup lang="ts">
import { computed, ref } from 'vue'
import BakeStrip from '../../charts/BakeStrip.vue'
import LoafMark from '../../charts/LoafMark.vue'
import { useWidth } from '../../charts/useSize'
import { RouterLink } from 'vue-router'
import { api, ask, type Schemas } from '../../api/client'
import { refDebounced } from '@vueuse/core'
import { usePages } from '../../shell/pages'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** Every bake that was begun, the latest first. */
const t = words.bakes
const MANY = 12
const { day, clock } = useUnits()
const name = ref('')
const sought = refDebounced(name, 200)
const bakes = usePages(['bakes', sought], async (more) => {
  const found = await ask(api.GET('/api/bakes', { params: { query: { more, name: sought.value } } }))
  return { lines: found.bakes, more: found.more ?? '' }
})
const many = computed(() => name.value !== '' || bakes.more.value || bakes.lines.value.length > MANY)
type Line = Schemas['BakeLine']

const host = ref<HTMLElement | null>(null)
const width = useWidth(host, 860)
const HIGH = 44
const MARK = 60
const HOUR = 3_600_000
/** Bakes share a scale, so that a night in the fridge is seen; the longest has the whole width beside its loaf. */
const hour = computed(() => {
  const lengths = bakes.lines.value.map(({ drawn }) =>
    drawn ? (Date.parse(drawn.end) - Date.parse(drawn.start)) / HOUR : 0,
  )
  const room = width.value - (width.value > 640 ? 274 : 0) - 2 * MARK - 16
  return Math.max(room, 120) / Math.max(...lengths, 12)
})
const whenOf = (line: Line) => {
  const at = line.out ?? line.started
  return (line.out ? t.out : t.began)({ when: clock(at) })
}
function besides(line: Line): string {
  const found = [t.line({ pieces: line.pieces })]
  if (line.state !== 'baked') found.push(t.states[line.state]!)
  if (line.how) found.push(t.proof({ how: words.bench.outcomes[line.how] ?? line.how }))
  if (line.loaf?.liked) found.push(words.loaf.liking({ of: line.loaf.liked }))
  if (line.notes) found.push(t.notes({ count: line.notes }))
  if (line.photos) found.push(t.photos({ count: line.photos }))
  return found.join(' · ')
}
</script>

<template>
  <div ref="host" class="bakes">
    <h1>{{ t.title }}</h1>
    <p class="quiet">{{ t.lead }}</p>
    <ElInput
      v-if="many"
      v-model="name"
      class="find"
      type="search"
      :aria-label="t.find"
      :placeholder="t.find"
      clearable
    />
    <ElSkeleton v-if="bakes.query.isPending.value" :rows="4" animated />
    <p v-else-if="bakes.query.isError.value" class="inverted notice" role="alert">
      {{ words.failed }}
      <ElButton @click="bakes.query.refetch()">{{ words.again }}</ElButton>
    </p>
    <p v-else-if="!bakes.lines.value.length && sought" class="quiet">{{ t.noneOfName }}</p>
    <template v-else-if="!bakes.lines.value.length">
      <h2 class="none">{{ t.none }}</h2>
      <p>{{ t.noneMore }}</p>
      <p>
        <RouterLink to="/bench">{{ words.bench.toBench }}</RouterLink>
      </p>
    </template>
    <ol v-else>
      <li v-for="line in bakes.lines.value" :key="line.id">
        <RouterLink :to="line.state === 'on_bench' ? `/bench/${line.id}` : `/bakes/${line.id}`">
          <span class="date">
            <span class="day">{{ day(line.out ?? line.started) }}</span>
            <span class="small quiet">{{ whenOf(line) }}</span>
          </span>
          <span class="what">
            <strong>{{ line.name }}</strong>
            <span class="small quiet">{{ besides(line) }}</span>
            <span v-if="line.drawn" class="drawn">
              <BakeStrip :drawn="line.drawn" :hour="hour" :high="HIGH" />
              <LoafMark
                v-if="line.loaf"
                :form="line.loaf.form"
                :scores="line.loaf.scores"
                :blow-out="line.loaf.blow_out"
                :openness="line.loaf.openness"
                :colour="line.loaf.top_colour"
                :width="MARK"
              />
            </span>
          </span>
        </RouterLink>
      </li>
    </ol>
    <ElButton v-if="bakes.more.value" :loading="bakes.busy.value" class="earlier" @click="bakes.further()">{{
      words.earlier
    }}</ElButton>
  </div>
</template>

<style scoped>
.find {
  max-width: 360px;
  margin-bottom: 12px;
}
.earlier {
  margin-top: 16px;
}
.bakes {
  display: grid;
  align-content: start;
  gap: 10px;
  max-width: 860px;
  padding: 24px 28px 48px;
}
h1 {
  font-size: 2.75rem;
}
.none {
  margin-top: 18px;
  font-size: 1.875rem;
}
.notice {
  display: flex;
  gap: 16px;
  align-items: center;
  padding: 12px 18px;
  border-radius: var(--corner);
}
ol {
  margin-top: 14px;
  border-top: 1.5px solid var(--ink);
}
li {
  border-bottom: 1px solid var(--hairline);
}
li a {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  gap: 4px 24px;
  align-items: baseline;
  padding: 14px 0;
  text-decoration: none;
}
li a:hover strong {
  text-decoration: underline;
  text-underline-offset: 4px;
}
.date,
.what {
  display: grid;
  line-height: 1.3;
}
.drawn {
  display: flex;
  gap: 10px;
  align-items: end;
  margin-top: 8px;
}
.day {
  font: 620 1.0625rem/1.3 var(--show);
}
strong {
  font: 650 1.25rem/1.25 var(--show);
  letter-spacing: -0.01em;
}
@media (max-width: 720px) {
  .bakes {
    padding: 16px 16px 32px;
  }
  h1 {
    font-size: 2.25rem;
  }
  li a {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
