<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ask } from '../../api/client'
import PickField from '../../forms/PickField.vue'
import TickField from '../../forms/TickField.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

const props = defineProps<{ id: string }>()
const emit = defineEmits<{ restored: [] }>()
const t = words.formulas
const client = useQueryClient()
const { day, clock } = useUnits()
const query = useQuery({
  queryKey: computed(() => ['versions', props.id]),
  queryFn: () => ask(api.GET('/api/formulas/{key}/versions', { params: { path: { key: props.id } } })),
  staleTime: 0,
})
const versions = computed(() => query.data.value?.versions ?? [])
const said = (number: number, name: string) => `${t.version} ${number}${name ? `, ${name}` : ''}`
const options = computed(() =>
  versions.value.map((each) => ({ value: String(each.number), label: said(each.number, each.name) })),
)

const comparing = ref(false)
const alike = ref(false)
const before = ref('')
const after = ref('')
function begin() {
  after.value = String(versions.value[0]?.number ?? '')
  before.value = String(versions.value[1]?.number ?? '')
  comparing.value = true
}
const compared = useQuery({
  queryKey: computed(() => ['compared', props.id, before.value, after.value]),
  queryFn: () =>
    ask(
      api.GET('/api/formulas/{key}/compare/{before}/{after}', {
        params: { path: { key: props.id, before: Number(before.value), after: Number(after.value) } },
      }),
    ),
  enabled: computed(() => comparing.value && Boolean(before.value && after.value)),
})
const lines = computed(() => compared.data.value?.lines.filter((line) => line.differs || alike.value) ?? [])

/** What a line's percentage counts; none for lines without one. */
const counts = (what: string, text: string) =>
  !text.includes('%') ? undefined : what === 'Water' ? 'hydration' : 'overall'

async function restore(number: number) {
  await ask(
    api.POST('/api/formulas/{key}/versions/{number}/restore', {
      params: { path: { key: props.id, number } },
    }),
  )
  await client.invalidateQueries({ queryKey: ['formulas'] })
  await query.refetch()
  emit('restored')
}

const naming = ref<number | null>(null)
const name = ref('')
async function keepName() {
  if (naming.value === null) return
  const path = { key: props.id, number: naming.value }
  await ask(
    api.PUT('/api/formulas/{key}/versions/{number}/name', { params: { path }, body: { name: name.value } }),
  )
  naming.value = null
  await query.refetch()
}
</script>

<template>
  <section v-if="versions.length > 1">
    <div class="head">
      <h3>{{ t.versions }}</h3>
      <ElButton v-if="!comparing" class="link" @click="begin">{{ t.compare }}</ElButton>
      <ElButton v-else class="link" @click="comparing = false">{{ t.list }}</ElButton>
    </div>
    <div v-if="comparing" class="compare">
      <table>
        <thead>
          <tr>
            <td><TickField v-model="alike" :label="t.alikeToo" /></td>
            <th scope="col"><PickField v-model="before" :label="t.before" :options="options" /></th>
            <th scope="col"><PickField v-model="after" :label="t.after" :options="options" /></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="line in lines" :key="line.what" :class="{ differs: line.differs }">
            <th scope="row">{{ line.what }}</th>
            <td :data-counts="counts(line.what, line.before)">{{ line.before || '–' }}</td>
            <td :data-counts="counts(line.what, line.after)">{{ line.after || '–' }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="compared.isSuccess.value && !lines.length" class="quiet">{{ t.same }}</p>
    </div>
    <ol v-else>
      <li v-for="(version, index) in versions" :key="version.number">
        <div class="head">
          <form v-if="naming === version.number" class="naming" @submit.prevent="keepName">
            <ElInput v-model="name" maxlength="80" :aria-label="`${t.nameOf} ${version.number}`" />
            <ElButton native-type="submit" class="plain">{{ t.keepName }}</ElButton>
          </form>
          <p v-else>
            <strong>{{ t.version }} {{ version.number }}</strong>
            <span class="small quiet">
              {{ version.name }} {{ day(version.saved_at) }}, {{ clock(version.saved_at) }}</span
            >
          </p>
          <span class="do">
            <ElButton
              v-if="naming !== version.number"
              class="link"
              :aria-label="`${t.nameOf} ${version.number}`"
              @click="((naming = version.number), (name = version.name))"
            >
              {{ t.giveName }}
            </ElButton>
            <ElButton v-if="index > 0" class="link" @click="restore(version.number)">
              {{ t.restore }} {{ version.number }}
            </ElButton>
          </span>
        </div>
        <dl>
          <template v-for="change in version.changes" :key="change.what">
            <div v-if="change.differs">
              <dt>{{ change.what }}</dt>
              <dd :data-counts="counts(change.what, change.after || change.before)">
                <del v-if="change.before">{{ change.before }}</del>
                <ins v-if="change.after">{{ change.after }}</ins>
              </dd>
            </div>
          </template>
        </dl>
      </li>
    </ol>
  </section>
</template>

<style scoped>
h3 {
  font-size: 1.0625rem;
  font-weight: 650;
}
li {
  padding: 6px 0;
  border-top: 1px solid var(--hairline);
}
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 0 16px;
}
.do {
  display: flex;
  gap: 16px;
}
.naming {
  display: flex;
  gap: 8px;
}
dl > div {
  display: grid;
  grid-template-columns: 180px 1fr;
  gap: 12px;
}
ins {
  font-weight: 650;
  text-decoration: none;
}
del {
  margin-right: 10px;
  color: var(--quiet);
}
table {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
}
th {
  text-align: left;
  font-weight: 400;
}
th,
td {
  padding: 6px 12px 6px 0;
  vertical-align: top;
  overflow-wrap: anywhere;
}
thead td,
thead th {
  vertical-align: bottom;
  border-bottom: 1.5px solid var(--ink);
}
tbody tr {
  border-bottom: 1px solid var(--hairline);
}
.differs td:last-child {
  font-weight: 650;
}
.differs th::before {
  content: '≠ ';
  font-weight: 650;
}
</style>
