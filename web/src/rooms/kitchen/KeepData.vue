<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ask, Refused, type Schemas } from '../../api/client'
import { asRefused } from '../../shell/newest'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import { sendFile } from '../../shell/sending'
import { laterFileField } from '../../forms/later'

const FileField = laterFileField()

/** Backups out and in, the daily copies, a look over everything, and what cannot be read. */
const t = words.keeping
const WRITTEN_MS = 2000
const client = useQueryClient()
const { day, clock } = useUnits()
const kept = useQuery({ queryKey: ['backups'], queryFn: () => ask(api.GET('/api/backups')) })
const odd = useQuery({ queryKey: ['unreadable'], queryFn: () => ask(api.GET('/api/unreadable')) })
const copies = computed(() => kept.data.value?.copies)
const rows = computed(() => odd.data.value?.rows ?? [])
const problem = ref('')
const said = ref('')
const busy = ref(false)
const sent = ref<number | null>(null)
const when = (at: string) => `${day(at)}, ${clock(at)}`
const dayNamed = (key: string) => day(`${key}T12:00:00Z`)

const chosen = ref<File | null>(null)
type Restored = Schemas['RestoredAnswer']
async function replaced(call: () => Promise<Restored>) {
  busy.value = true
  problem.value = said.value = ''
  try {
    const found = await call()
    said.value = [
      t.back({ at: when(found.made_at) }),
      found.aside ? t.aside({ folder: found.aside }) : '',
    ].join(' ')
    await client.invalidateQueries()
  } catch (error) {
    problem.value = asRefused(error).message
  } finally {
    busy.value = false
    chosen.value = sent.value = null
  }
}
/** A backup may be larger than anything else that is sent: it goes as it lies on the disk. */
async function send(file: File): Promise<Restored> {
  const { ok, body } = await sendFile('/api/backup/restore', file, (share) => (sent.value = share))
  const found = body as Restored & { detail?: string }
  if (!ok) throw new Refused(found.detail ?? '', [])
  return found
}
const restore = () => chosen.value && replaced(() => send(chosen.value!))
const goBack = (copy: string) =>
  replaced(() => ask(api.POST('/api/backups/{day}/restore', { params: { path: { day: copy } } })))

/** The browser fetches the file by itself: it is looked a little later when it was written. */
function written() {
  setTimeout(() => void kept.refetch(), WRITTEN_MS)
}

const findings = ref<Schemas['FindingsAnswer'] | null>(null)
async function look() {
  busy.value = true
  problem.value = ''
  try {
    findings.value = await ask(api.GET('/api/check'))
  } catch (error) {
    problem.value = asRefused(error).message
  } finally {
    busy.value = false
  }
}
type Row = Schemas['UnreadableRow']
const away = ref<Row | null>(null)
async function move(row: Row, back: boolean) {
  const body = { place: row.place, key: row.key }
  try {
    const call = back
      ? api.POST('/api/unreadable/bring-back', { body })
      : api.POST('/api/unreadable/put-away', { body })
    client.setQueryData(['unreadable'], await ask(call))
    away.value = back ? null : row
    problem.value = ''
  } catch (error) {
    problem.value = asRefused(error).message
  }
}
const fileOf = (row: Row) => `/api/unreadable/file?${new URLSearchParams({ place: row.place, key: row.key })}`
const nameOf = (row: Row) => {
  const what = row.what.charAt(0).toUpperCase() + row.what.slice(1)
  return row.name ? `${what}, ${row.name}` : what
}
</script>

<template>
  <section class="keep" aria-labelledby="keep-title">
    <div>
      <h2 id="keep-title">{{ t.title }}</h2>
      <p class="quiet">{{ t.lead }}</p>
      <dl v-if="copies">
        <div>
          <dt class="quiet">{{ t.folder }}</dt>
          <dd>{{ copies.folder }}</dd>
        </div>
        <div>
          <dt class="quiet">{{ t.last }}</dt>
          <dd>{{ copies.last_backup ? when(copies.last_backup) : t.never }}</dd>
        </div>
      </dl>
      <div class="acts">
        <ElButton tag="a" href="/api/backup" download @click="written">{{ t.write }}</ElButton>
        <FileField :label="t.bring" accept=".zip,.sqlite3" :busy="busy" @chosen="(file) => (chosen = file)" />
        <ElButton :loading="busy" @click="look">{{ t.look }}</ElButton>
      </div>
      <div v-if="chosen" class="sure" role="alertdialog" :aria-label="t.bring">
        <p>
          <strong>{{ chosen.name }}</strong>
        </p>
        <p>{{ t.sure }}</p>
        <ElProgress
          v-if="sent !== null"
          :percentage="Math.round(100 * sent)"
          :stroke-width="8"
          :aria-label="t.sending"
        />
        <ElButton class="action" :loading="busy" @click="restore">{{ t.go }}</ElButton>
        <ElButton @click="chosen = null">{{ t.no }}</ElButton>
      </div>
      <p v-if="problem" class="inverted said" role="alert">{{ problem }}</p>
      <p v-if="said" class="said remark" role="status">{{ said }}</p>
      <div v-if="findings" role="status">
        <p v-if="findings.ok">{{ t.well }}</p>
        <p v-else class="inverted said">{{ t.bad }}</p>
        <ul v-if="findings.findings.length" class="found">
          <li v-for="each in findings.findings" :key="each.text">{{ each.text }}</li>
        </ul>
      </div>
    </div>
    <div>
      <h3>{{ t.copies }}</h3>
      <p class="small quiet">{{ t.copiesLead }}</p>
      <p v-if="copies && !copies.days.length">{{ t.noCopies }}</p>
      <ul class="days">
        <li v-for="copy in copies?.days ?? []" :key="copy">
          <span>{{ dayNamed(copy) }}</span>
          <ElPopconfirm
            width="280"
            :title="t.sure"
            :confirm-button-text="t.go"
            :cancel-button-text="t.no"
            hide-icon
            @confirm="goBack(copy)"
          >
            <template #reference>
              <ElButton :disabled="busy" :aria-label="`${t.goBack}: ${dayNamed(copy)}`">{{
                t.goBack
              }}</ElButton>
            </template>
          </ElPopconfirm>
        </li>
      </ul>
      <template v-if="rows.length || away">
        <h3>{{ t.unreadable }}</h3>
        <p v-if="rows.length" class="small quiet">{{ t.unreadableLead }}</p>
        <ul class="days odd">
          <li v-for="row in rows" :key="`${row.place}/${row.key}`">
            <span>
              <strong>{{ nameOf(row) }}</strong>
              <span class="small quiet"> {{ row.at ? day(row.at) : t.undated }}. {{ row.sentence }} </span>
            </span>
            <span class="acts">
              <ElButton tag="a" :href="fileOf(row)" download>{{ t.file }}</ElButton>
              <ElButton @click="move(row, false)">{{ t.putAway }}</ElButton>
            </span>
          </li>
        </ul>
        <p v-if="away" role="status">
          {{ t.wasPut({ name: nameOf(away) }) }}
          <ElButton @click="move(away, true)">{{ t.undo }}</ElButton>
        </p>
      </template>
    </div>
  </section>
</template>

<style scoped>
.days strong {
  display: block;
}
.keep {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(340px, 100%), 1fr));
  gap: 24px 48px;
  margin-top: 36px;
  padding-top: 24px;
  border-top: 1px solid var(--hairline);
}
.keep > div {
  display: grid;
  gap: 12px;
  align-content: start;
}
h2,
h3 {
  margin: 0;
}
dl {
  display: grid;
  gap: 4px;
  margin: 0;
}
dl div {
  display: grid;
  grid-template-columns: 110px minmax(0, 1fr);
}
dd {
  margin: 0;
  overflow-wrap: anywhere;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.acts .el-button {
  margin: 0;
}
.sure,
.said {
  padding: 12px 14px;
  border: 1px solid var(--quiet);
  border-radius: var(--corner);
}
.days,
.found {
  display: grid;
  gap: 8px;
  margin: 0;
  padding: 0;
  list-style: none;
}
.days li {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: center;
  justify-content: space-between;
  padding-bottom: 8px;
  border-bottom: 1px solid var(--hairline);
}
.found li {
  padding-left: 14px;
  border-left: 3px solid var(--hairline);
}
</style>
