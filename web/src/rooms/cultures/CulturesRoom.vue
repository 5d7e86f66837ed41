<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { RouterLink, useRoute, useRouter } from 'vue-router'
import { api, ask } from '../../api/client'
import CultureJar from '../../charts/CultureJar.vue'
import { useNow } from '../../shell/kitchen'
import { newKey } from '../../shell/keys'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import CultureForm from './CultureForm.vue'
import CalendarNote from './CalendarNote.vue'
import CulturePage from './CulturePage.vue'
import PrefermentDesk from './PrefermentDesk.vue'
import SourDesk from './SourDesk.vue'
import { said } from './useCulture'
import { stateOf } from './stateOf'
import { laterFileField } from '../../forms/later'

const FileField = laterFileField()

const t = words.cultures
const route = useRoute()
const router = useRouter()
const client = useQueryClient()
const units = useUnits()
const { mass, when } = units
const now = useNow()
const query = useQuery({
  queryKey: ['cultures'],
  queryFn: () => ask(api.GET('/api/cultures')),
  refetchInterval: 60_000,
})
const all = computed(() => query.data.value?.cultures ?? [])
const builds = computed(() => query.data.value?.builds ?? [])
const gone = computed(() => query.data.value?.gone ?? [])
const desk = computed(() => (typeof route.query.do === 'string' ? route.query.do : ''))
const id = computed(() => (route.params.id as string) || all.value[0]?.id || '')
const apart = computed(() => ['new', 'preferment', 'sour'].includes(desk.value))
const problem = ref('')

async function bringBack(key: string) {
  try {
    await ask(api.POST('/api/cultures/{key}/restore', { params: { path: { key } } }))
    problem.value = ''
    await client.invalidateQueries({ queryKey: ['cultures'] })
    await router.push(`/cultures/${key}`)
  } catch (error) {
    problem.value = said(error)
  }
}

/** A culture's file becomes a culture of its own. */
async function bringIn(file: File) {
  const key = newKey()
  try {
    const text = await file.text()
    await ask(api.PUT('/api/cultures/{key}/file', { params: { path: { key } }, body: { text } }))
    problem.value = ''
    await client.invalidateQueries({ queryKey: ['cultures'] })
    await router.push(`/cultures/${key}`)
  } catch (error) {
    problem.value = said(error)
  }
}
async function saved(key: string) {
  await client.invalidateQueries({ queryKey: ['cultures'] })
  await router.push(`/cultures/${key}`)
}
</script>

<template>
  <div class="room">
    <div class="left">
      <h1>{{ t.title }}</h1>
      <p v-if="query.isPending.value" class="quiet wait">{{ words.loading }}</p>
      <p v-if="query.isError.value" role="alert">{{ words.failed }}</p>
      <p v-if="query.isSuccess.value && !all.length" class="quiet">{{ t.none }}</p>
      <ul v-if="all.length" class="jars">
        <li v-for="line in all" :key="line.id">
          <RouterLink
            :to="`/cultures/${line.id}`"
            :class="{ here: line.id === id && !apart }"
            :aria-current="line.id === id && !apart ? 'page' : undefined"
          >
            <span class="small-jar">
              <CultureJar :jar="line.culture.jar" :life="line.life ?? null" :high="64" bare />
            </span>
            <span class="about">
              <strong>{{ line.culture.name }}</strong>
              <span>{{ stateOf(line, units, now) }}</span>
              <span v-if="line.next_feed" class="small" :class="{ quiet: !line.overdue, late: line.overdue }">
                {{ line.overdue ? t.wasDue : t.feedAt }} {{ when(line.next_feed, now) }}
              </span>
            </span>
          </RouterLink>
        </li>
      </ul>
      <p v-if="problem" class="inverted error" role="alert">{{ problem }}</p>
      <section v-if="builds.length" class="builds">
        <h2>{{ t.buildsTitle }}</h2>
        <p v-for="build in builds" :key="build.at + build.into[0]!.plan_id">
          <strong class="clock">{{ when(build.at, now) }}</strong>: {{ mass(build.seed_g) }} {{ t.seed }},
          {{ mass(build.flour_g) }} {{ t.flour }}, {{ mass(build.water_g) }} {{ t.water }}
          <span class="small quiet">
            {{ build.into.length > 1 ? t.oneFor({ count: build.into.length }) : t.buildFor }}
            {{ build.into.map((each) => each.name).join(', ') }}
          </span>
        </p>
      </section>
      <nav class="ways" :aria-label="t.more">
        <RouterLink class="link" to="/cultures?do=new">{{ t.add }}</RouterLink>
        <RouterLink class="link" to="/cultures?do=preferment">{{ t.prefermentTitle }}</RouterLink>
        <RouterLink class="link" to="/cultures?do=sour">{{ t.sourTitle }}</RouterLink>
        <FileField
          class="as-link"
          :label="t.bringInFile"
          accept=".json,.csv,application/json,text/csv"
          @chosen="bringIn"
        />
        <CalendarNote />
      </nav>
      <section v-if="gone.length" class="gone">
        <h2>{{ t.goneTitle }}</h2>
        <p v-for="each in gone" :key="each.id" class="small">
          {{ each.name }}, {{ t.until }} {{ when(each.until, now) }}
          <ElButton class="link" @click="bringBack(each.id)">{{ words.undo }}</ElButton>
        </p>
      </section>
    </div>
    <div class="see">
      <CultureForm v-if="desk === 'new'" :id="null" @saved="saved" @cancel="router.push('/cultures')" />
      <PrefermentDesk v-else-if="desk === 'preferment'" />
      <SourDesk v-else-if="desk === 'sour'" :cultures="all" />
      <CulturePage v-else-if="id" :id="id" :key="id" :others="all" />
      <div v-else-if="query.isSuccess.value" class="empty">
        <h2>{{ t.emptyTitle }}</h2>
        <p>{{ t.emptyWords }}</p>
        <RouterLink class="action" to="/cultures?do=new">{{ t.add }}</RouterLink>
      </div>
    </div>
  </div>
</template>

<style scoped>
.wait {
  min-height: 5rem;
}
.room {
  display: grid;
  grid-template-columns: 288px minmax(0, 1fr);
  min-height: calc(100vh - 56px);
}
.left {
  display: grid;
  gap: 16px;
  align-content: start;
  padding: 20px 0 32px 28px;
  border-right: 1px solid var(--hairline);
}
h1 {
  font-size: 1.875rem;
}
h2 {
  font-size: 1.0625rem;
}
.jars a {
  display: grid;
  grid-template-columns: 60px minmax(0, 1fr);
  gap: 14px;
  align-items: center;
  padding: 10px 16px 10px 10px;
  border-left: 4px solid transparent;
  border-bottom: 1px solid var(--hairline);
  text-decoration: none;
}
.jars a:hover {
  border-left-color: var(--hairline);
}
.jars a.here {
  border-left-color: var(--ink);
  background: var(--paper);
}
.small-jar {
  display: grid;
  justify-items: center;
}
.about {
  display: grid;
  line-height: 1.3;
}
.late {
  font-weight: 650;
}
.builds,
.gone,
.ways {
  padding-right: 20px;
}
.builds p,
.gone p {
  margin-top: 6px;
  line-height: 1.35;
}
.ways {
  display: grid;
  justify-items: start;
}
.ways .link {
  display: inline-flex;
  align-items: center;
  padding: 0;
}
.error {
  margin-right: 20px;
  padding: 10px 14px;
  border-radius: var(--corner);
}
.see {
  min-width: 0;
}
.empty {
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 60ch;
  padding: 40px 28px;
}
.empty h2 {
  font-size: 1.875rem;
}
.empty .action {
  display: grid;
  place-items: center;
  text-decoration: none;
}
@media (max-width: 720px) {
  .room {
    display: flex;
    flex-direction: column;
  }
  .left {
    padding: 14px 0 0 16px;
    border: 0;
    gap: 8px;
  }
  h1 {
    font-size: 1.375rem;
  }
  .jars {
    display: flex;
    overflow-x: auto;
  }
  .jars a {
    grid-template-columns: auto auto;
    padding: 6px 14px 6px 8px;
    border-left: 0;
    border-bottom: 4px solid var(--hairline);
    white-space: nowrap;
  }
  .jars a.here {
    border-bottom-color: var(--ink);
  }
  .builds,
  .ways,
  .gone {
    display: none;
  }
  .see {
    padding-bottom: 16px;
  }
}
</style>
