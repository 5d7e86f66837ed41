<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed, defineAsyncComponent, reactive, ref } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { api, ask } from '../../api/client'
import LoafMark from '../../charts/LoafMark.vue'
import SideClock from '../../charts/SideClock.vue'
import AskedState from '../../shell/AskedState.vue'
import { useAbout } from '../../shell/title'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import LogPage from './LogPage.vue'
import { looksOf } from './looks'
import PhotoPair from './PhotoPair.vue'

const TrialSheet = defineAsyncComponent(() => import('./TrialSheet.vue'))

/** Two to six bakes, or parts of them, side by side: on one clock, line by line, loaf by loaf, photo by photo. */
const t = words.log
const route = useRoute()
const router = useRouter()
const { day, span, say } = useUnits()
const of = computed(() => String(route.query.of ?? ''))
const found = reactive(
  useQuery({
    queryKey: ['bakes', 'compare', of],
    queryFn: () => ask(api.GET('/api/bakes/compare', { params: { query: { of: of.value } } })),
    enabled: computed(() => of.value !== ''),
    retry: false,
  }),
)
const sides = computed(() => found.data?.sides ?? [])
useAbout(() => t.compareTitle)
/** Bakes of one day and name are told apart by their parts, else by their days. */
const names = computed(() =>
  sides.value.map((side) => [side.part, side.name, day(side.line.out ?? side.line.started)].filter(Boolean).join(' · ')),
) // prettier-ignore
const short = computed(() => sides.value.map((side) => side.part || day(side.line.out ?? side.line.started)))
const everything = ref(false)
const groups = computed(() => {
  const lines = found.data?.compared.lines ?? []
  return (['formula', 'method', 'done', 'came'] as const)
    .map((group) => ({
      group,
      lines: lines.filter((line) => line.group === group && (line.differs || everything.value)),
    }))
    .filter(({ lines: some }) => some.length)
})
const looks = computed(() =>
  sides.value.map((side) => (side.sheet ? looksOf(side.sheet, side.top, side.base) : [])),
)
const differing = computed(() => new Set(found.data?.looks ?? []))
const pictures = computed(() =>
  sides.value.flatMap((side, index) =>
    side.photos.map((photo) => ({
      ...photo,
      name: short.value[index]!,
      side: index,
      bake: side.key,
      wide: side.sheet?.width_mm,
    })),
  ),
)
const keeping = ref(false)
</script>

<template>
  <LogPage :title="t.compareTitle" titled>
    <h1>{{ t.compareTitle }}</h1>
    <p class="quiet">{{ t.compareLead }}</p>
    <p v-if="!of" role="status">{{ t.notEnough }}</p>
    <AskedState v-else :query="found" :rows="6">
      <template v-if="found.data">
        <p class="worth" role="status">{{ say(found.data.compared.worth) }}</p>
        <p class="no-print">
          <ElButton @click="keeping = true">{{ t.makeTrial }}</ElButton>
        </p>
        <TrialSheet
          v-if="keeping"
          :formula="sides[0]!.line.formula_id"
          :sides="sides.map((side, index) => ({ bake: side.key, part: side.part, name: names[index]! }))"
          @close="keeping = false"
          @kept="(key: string) => router.push(`/log/trials/${key}`)"
        />
        <SideClock :sides="sides" :names="names" :say="span" />

        <section>
          <header>
            <h2>{{ t.differs }}</h2>
            <ElButton class="link no-print" @click="everything = !everything">{{
              everything ? t.alike : t.everything
            }}</ElButton>
          </header>
          <div class="scroll">
            <table>
              <thead>
                <tr>
                  <td></td>
                  <th v-for="(name, index) in short" :key="index" scope="col">{{ name }}</th>
                </tr>
              </thead>
              <tbody v-for="group in groups" :key="group.group">
                <tr class="group">
                  <th scope="rowgroup" :colspan="sides.length + 1">{{ t.groups[group.group] }}</th>
                </tr>
                <tr v-for="(line, place) in group.lines" :key="place" :class="{ differs: line.differs }">
                  <th scope="row">{{ line.what }}</th>
                  <td v-for="(value, index) in line.values" :key="index">{{ value || t.unknown }}</td>
                </tr>
              </tbody>
            </table>
          </div>
        </section>

        <section>
          <h2>{{ t.loaves }}</h2>
          <div class="loaves" :style="{ '--many': sides.length }">
            <article v-for="(side, index) in sides" :key="index">
              <h3>
                <RouterLink :to="`/log/${side.key}`">{{ short[index] }}</RouterLink>
              </h3>
              <template v-if="side.sheet">
                <LoafMark :loaf="side.sheet" :width="92" />
                <dl>
                  <div
                    v-for="[name, title, what] in looks[index]"
                    :key="name"
                    :class="{ differs: differing.has(name) }"
                  >
                    <dt class="small quiet">{{ title }}</dt>
                    <dd>{{ what }}</dd>
                  </div>
                </dl>
                <p v-if="side.sheet.note" class="said">{{ side.sheet.note }}</p>
              </template>
              <p v-else class="quiet">{{ t.notJudged }}</p>
              <p v-for="note in side.notes" :key="note" class="said">{{ note }}</p>
            </article>
          </div>
        </section>

        <section>
          <h2>{{ t.photos }}</h2>
          <p v-if="!pictures.length" class="quiet">{{ t.noPhotos }}</p>
          <PhotoPair v-else :pictures="pictures" @marked="found.refetch()" />
        </section>
      </template>
    </AskedState>
  </LogPage>
</template>

<style scoped>
.worth {
  padding-left: 14px;
  border-left: 4px solid var(--ink);
  font: 600 1.25rem/1.35 var(--show);
  max-width: 70ch;
}
section {
  margin-top: 14px;
}
section > header {
  display: flex;
  gap: 20px;
  align-items: center;
}
.scroll {
  overflow-x: auto;
}
table {
  width: 100%;
  border-collapse: collapse;
}
thead th {
  font-weight: 650;
}
th,
td {
  padding: 7px 16px 7px 0;
  text-align: left;
  vertical-align: top;
  border-bottom: 1px solid var(--hairline);
}
tbody th {
  font-weight: 400;
  color: var(--quiet);
  min-width: 150px;
}
.group th {
  padding-top: 16px;
  border-bottom: 1.5px solid var(--ink);
  color: var(--ink);
  font: 650 1.0625rem/1.3 var(--show);
}
tr.differs td {
  font-weight: 650;
}
.loaves {
  display: grid;
  grid-template-columns: repeat(var(--many), minmax(0, 1fr));
  gap: 16px 28px;
}
.loaves article {
  display: grid;
  align-content: start;
  gap: 8px;
  min-width: 0;
}
h3 {
  font: 650 1.125rem/1.3 var(--show);
}
dl {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(110px, 1fr));
  gap: 6px 14px;
}
dl .differs dd {
  font-weight: 700;
  text-decoration: underline;
  text-decoration-thickness: 2px;
  text-underline-offset: 4px;
}
.said {
  white-space: pre-wrap;
  overflow-wrap: anywhere;
}
@media (max-width: 720px) {
  .loaves {
    grid-auto-flow: column;
    grid-template-columns: none;
    grid-auto-columns: minmax(230px, 1fr);
    overflow-x: auto;
  }
}
</style>
