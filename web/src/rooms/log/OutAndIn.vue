<script setup lang="ts">
import { useQuery, useQueryClient } from '@tanstack/vue-query'
import { computed, ref } from 'vue'
import { api, ask, type Schemas } from '../../api/client'
import FileField from '../../forms/FileField.vue'
import FoldedPart from '../../forms/FoldedPart.vue'
import { programNow } from '../../shell/bench'
import { newKey } from '../../shell/keys'
import { asRefused } from '../../shell/newest'
import { sendFile } from '../../shell/sending'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

/** The log written out, one brought in, and what was taken out of it for as long as it can be had back. */
const props = defineProps<{ removed: number; bakes: number }>()
const t = words.log
const client = useQueryClient()
const { day, say } = useUnits()
const busy = ref(false)
const brought = ref<Schemas['ImportedAnswer'] | null>(null)
const wrong = ref('')
const gone = ref(0)
async function bring(file: File) {
  busy.value = true
  wrong.value = ''
  brought.value = null
  try {
    const { ok, body } = await sendFile('/api/log/file', file, (share) => (gone.value = share))
    if (ok) brought.value = body as Schemas['ImportedAnswer']
    else wrong.value = (body as { detail?: string }).detail ?? words.failed
    await client.invalidateQueries()
  } catch {
    wrong.value = words.failed
  } finally {
    busy.value = false
  }
}
const out = useQuery({
  queryKey: ['bakes', 'removed'],
  queryFn: () => ask(api.GET('/api/bakes/removed')),
  enabled: computed(() => props.removed > 0),
})
const lines = computed(() => out.data.value?.bakes ?? [])
/** What took it out is looked up in its record, and taken back at once: both need the kitchen's answer. */
async function bringBack(id: string) {
  wrong.value = ''
  try {
    const { events } = await ask(api.GET('/api/bench/{key}/record', { params: { path: { key: id } } }))
    const event = [...events].reverse().find((each) => each.kind === 'bake_removed')
    const at = new Date(programNow()).toISOString()
    const press = {
      id: newKey(),
      dough: id,
      kind: 'bake_withdrawn' as const,
      at,
      body: { event: event?.id ?? '' },
    }
    const { refused } = await ask(api.POST('/api/bench/presses', { body: { sent_at: at, presses: [press] } }))
    if (refused[0]) wrong.value = `${refused[0].sentence} ${refused[0].remedy}`
  } catch (error) {
    wrong.value = asRefused(error).message
  }
  await client.invalidateQueries({ queryKey: ['bakes'] })
}
</script>

<template>
  <FoldedPart class="no-print" :title="t.fold">
    <div class="ways">
      <div v-if="bakes">
        <a class="plain as-button" href="/api/log/file" download>{{ t.out }}</a>
        <p class="small quiet">{{ t.outHint }}</p>
      </div>
      <div>
        <FileField :label="t.in" accept=".zip,.json" :busy="busy" @chosen="bring" />
        <p class="small quiet">{{ t.inHint }}</p>
      </div>
    </div>
    <div v-if="busy" role="status">
      <p>{{ t.reading }}</p>
      <ElProgress :percentage="Math.round(100 * gone)" :show-text="false" :aria-label="t.reading" />
    </div>
    <p v-if="wrong" class="inverted wrong" role="alert">{{ wrong }}</p>
    <div v-if="brought" role="status">
      <p>
        {{
          t.brought({
            bakes: brought.bakes,
            photos: brought.photos,
            trials: brought.trials,
            known: brought.known,
          })
        }}
      </p>
      <ul v-if="brought.left.length" class="left">
        <li v-for="why in brought.left" :key="why">{{ say(why) }}</li>
      </ul>
    </div>
    <section v-if="removed && lines.length">
      <h2>{{ t.takenOut }}</h2>
      <p class="small quiet">{{ t.takenOutLead({ days: out.data.value?.days ?? 30 }) }}</p>
      <ul>
        <li v-for="line in lines" :key="line.id" class="gone">
          <span>
            <strong>{{ line.name }}</strong> {{ day(line.out ?? line.started) }}
            <span class="small quiet">{{ t.takenOutOn({ day: day(line.removed ?? '') }) }}</span>
          </span>
          <ElButton @click="bringBack(line.id)">{{ t.bringBack }}</ElButton>
        </li>
      </ul>
    </section>
  </FoldedPart>
</template>

<style scoped>
.ways {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 40px;
  margin: 8px 0 12px;
}
.ways > div {
  max-width: 340px;
}
.as-button {
  display: inline-grid;
  place-items: center;
  min-height: 44px;
}
.wrong {
  padding: 12px 18px;
  border-radius: var(--corner);
}
.left li {
  padding: 6px 0;
  border-bottom: 1px solid var(--hairline);
}
h2 {
  margin-top: 14px;
  font-size: 1.375rem;
}
.gone {
  display: flex;
  justify-content: space-between;
  gap: 16px;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px solid var(--hairline);
}
</style>
