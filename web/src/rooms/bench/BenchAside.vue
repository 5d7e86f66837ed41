<script setup lang="ts">
import { computed, inject } from 'vue'
import { useBench, type BenchDough } from '../../shell/bench'
import { REMINDERS } from '../../shell/reminders'
import { useUnits } from '../../shell/units'
import { words } from '../../words'
import DeviceNote from './DeviceNote.vue'
import PickField from '../../forms/PickField.vue'
import { laterFileField } from '../../forms/later'

const FileField = laterFileField()

/** Beside what happened: what the dough told, its thermometer, absences, another dough, and this device. */
defineProps<{ dough: BenchDough; now: number; awake: string }>()
const emit = defineEmits<{ probe: [string, string?]; another: []; away: [] }>()
const t = words.bench
const { bench, refused, press } = useBench()
const { say, when, degree } = useUnits()
const reminders = inject(REMINDERS)!
const devices = computed(() => Object.keys(bench.value?.heard ?? {}))
const absences = computed(() => bench.value?.absences ?? [])
/** A logger's file: its figures are taken, and count from the first one on as those of this dough's thermometer. */
async function logged(file: File) {
  const device = file.name.replace(/\.[^.]*$/, '').slice(0, 40) || 'logger'
  const answer = await fetch(`/api/samples/log?device=${encodeURIComponent(device)}`, {
    method: 'POST',
    body: file,
  })
  const found = (await answer.json()) as { first?: string; detail?: string }
  if (!answer.ok) return void (refused.value = found.detail ?? words.failed)
  emit('probe', device, found.first)
}
</script>

<template>
  <aside>
    <p v-if="dough.told" class="told">{{ dough.told }}</p>
    <p v-for="doubt in dough.doubts" :key="doubt" class="told">{{ say(doubt) }}</p>
    <p v-if="dough.probe?.says.sentence" class="told" role="status">
      {{ say(dough.probe.says.sentence) }}
    </p>
    <p v-if="dough.probe?.says.celsius != null && !dough.probe.says.doubt" class="told">
      {{ t.probe.says({ degree: degree(dough.probe.says.celsius) }) }}
    </p>
    <PickField
      v-if="devices.length"
      :model-value="dough.probe?.device ?? ''"
      class="probe"
      :label="t.probe.choose"
      :options="[{ value: '', label: t.probe.none }, ...devices.map((value) => ({ value, label: value }))]"
      @update:model-value="(device: string) => emit('probe', device)"
    />
    <p v-for="away in absences" :key="away.id">
      {{
        t.awayNote({
          from: when(away.start, now),
          to: when(away.end, now),
        })
      }}
      <ElButton class="link" @click="press('', 'absence_withdrawn', { event: away.id }, '')">
        {{ t.takeBack }}
      </ElButton>
    </p>
    <FileField :label="t.probe.file" accept=".csv,.txt,text/csv" @chosen="logged" />
    <p class="row">
      <ElButton class="plain" @click="emit('another')">{{ t.another }}</ElButton>
      <ElButton class="plain" @click="emit('away')">{{ t.away }}</ElButton>
    </p>
    <DeviceNote :reminders="reminders" :awake="awake" />
  </aside>
</template>

<style scoped>
aside {
  display: grid;
  gap: 14px;
  align-content: start;
  font-size: 1.1875rem;
}
.told {
  padding-left: 12px;
  border-left: 3px solid var(--ink);
}
.probe {
  display: flex;
  gap: 12px;
  align-items: center;
}
.file {
  position: relative;
  display: grid;
  place-items: center;
  justify-self: start;
}
.file:focus-within {
  outline: 3px solid var(--ink);
  outline-offset: 2px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
