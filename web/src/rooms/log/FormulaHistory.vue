<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, defineAsyncComponent, reactive, ref } from 'vue'
import { RouterLink, useRoute } from 'vue-router'
import { api, ask, type Schemas } from '../../api/client'
import AskedState from '../../shell/AskedState.vue'
import { useAbout } from '../../shell/title'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import BakeLines from './BakeLines.vue'
import LogPage from './LogPage.vue'
import TrialLine from './TrialLine.vue'

const AgainSheet = defineAsyncComponent(() => import('./AgainSheet.vue'))

/** A formula's story: each version, what was changed in it, and what came of it. */
const t = words.log
const route = useRoute()
const { day } = useUnits()
const key = computed(() => String(route.params.id))
const found = reactive(
  useQuery({
    queryKey: ['bakes', 'history', key],
    queryFn: () => ask(api.GET('/api/formulas/{key}/history', { params: { path: { key: key.value } } })),
  }),
)
const story = computed(() => found.data?.history ?? null)
useAbout(() => story.value?.name)
const again = ref(false)
function change(line: Schemas['Difference']) {
  const { what, before, after } = line
  if (!after) return t.goneLine({ what })
  return before ? t.changeLine({ what, before, after }) : t.newLine({ what, after })
}
</script>

<template>
  <LogPage :title="t.historyOf" :titled="story !== null">
    <AskedState :query="found" :rows="6">
      <template v-if="story">
        <header>
          <div>
            <h1>{{ story.name }}</h1>
            <p class="quiet">{{ t.historyLead({ bakes: story.bakes }) }}</p>
          </div>
          <p class="no-print">
            <RouterLink v-if="!story.put_away" :to="`/formulas?formula=${story.formula_id}`">{{
              t.openFormula
            }}</RouterLink>
            <a class="as-link" :href="`/api/log/file?formula=${story.formula_id}`" download>{{ t.write }}</a>
          </p>
        </header>
        <section v-if="story.best" class="best">
          <h2>{{ t.best }}</h2>
          <BakeLines :lines="[story.best]" short />
          <ElButton class="no-print" @click="again = true">{{ t.again }}</ElButton>
          <AgainSheet v-if="again" :id="story.best.id" :name="story.name" @close="again = false" />
        </section>
        <ol class="versions">
          <li v-for="version in story.versions" :key="version.number ?? 0">
            <div class="told">
              <h2>
                {{ version.number === null ? t.noVersion : t.versionOf({ number: version.number }) }}
              </h2>
              <p v-if="version.name" class="named">{{ version.name }}</p>
              <p v-if="version.saved_at" class="small quiet">{{ t.since({ day: day(version.saved_at) }) }}</p>
              <ul v-if="version.changes.length" class="changes">
                <li v-for="line in version.changes" :key="String(line.what)">{{ change(line) }}</li>
              </ul>
              <p v-else-if="version.number === 1" class="small quiet">{{ t.unchanged }}</p>
              <p>
                {{ t.bakesOf({ count: version.in_all })
                }}<template v-if="version.liked !== null"
                  >, {{ t.likedMean({ of: version.liked }) }}</template
                >
              </p>
            </div>
            <BakeLines v-if="version.bakes.length" :lines="version.bakes" short />
          </li>
        </ol>
        <section v-if="story.trials.length">
          <h2>{{ t.trials }}</h2>
          <TrialLine v-for="one in story.trials" :key="one.id" :found="one" />
        </section>
      </template>
    </AskedState>
  </LogPage>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 8px 24px;
  align-items: end;
}
header p a + a {
  margin-left: 20px;
}
.best {
  padding: 12px 18px;
  border: 1.5px solid var(--ink);
  border-radius: var(--corner);
}
.best :deep(.lines) {
  border: 0;
}
.best :deep(.lines li) {
  border: 0;
}
h2 {
  font-size: 1.375rem;
}
/* One line from the newest version down to the first. */
.versions > li {
  display: grid;
  grid-template-columns: 290px minmax(0, 1fr);
  gap: 12px 36px;
  padding: 0 0 26px 22px;
  border-left: 2px solid var(--ink);
  position: relative;
}
.versions > li::before {
  content: '';
  position: absolute;
  left: -8px;
  top: 8px;
  width: 14px;
  height: 14px;
  border-radius: 7px;
  background: var(--ink);
}
.versions > li:last-child {
  border-color: transparent;
}
.told {
  display: grid;
  gap: 4px;
  align-content: start;
}
.named {
  font: 600 1.0625rem/1.3 var(--show);
}
.changes li {
  padding: 2px 0;
}
@media (max-width: 900px) {
  .versions > li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
