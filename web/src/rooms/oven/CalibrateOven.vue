<script setup lang="ts">
import { ref } from 'vue'
import { api, ask, Refused, type Schemas } from '../../api/client'
import MaybeField from '../../forms/MaybeField.vue'
import PickField from '../../forms/PickField.vue'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

type Learnt = Schemas['LearntAnswer']
/** The oven learnt in three short trials: heated empty, thermometer against dial, slices that brown. */
const props = defineProps<{ oven: Schemas['OvenBody'] }>()
const emit = defineEmits<{ take: [Learnt] }>()
const t = words.oven
const { say } = useUnits()
const heatUp = ref([0, 4, 8, 12].map((min) => ({ min: min as number | null, c: null as number | null })))
const dial = ref(
  [180, 220].map((set_c) => ({ set_c: set_c as number | null, read_c: null as number | null })),
)
const browned = ref<'' | 'left' | 'right' | 'back' | 'front'>('')
const found = ref<Learnt | null>(null)
const refused = ref('')
const sides = (['', 'left', 'right', 'back', 'front'] as const).map((value) => ({
  value,
  label: t.sides[value]!,
}))

async function learn() {
  const heat_up = heatUp.value.flatMap((row) =>
    row.min != null && row.c != null ? [{ min: row.min, c: row.c }] : [],
  )
  const read = dial.value.flatMap((row) =>
    row.set_c != null && row.read_c != null ? [{ set_c: row.set_c, read_c: row.read_c }] : [],
  )
  try {
    found.value = await ask(
      api.POST('/api/oven/calibrate', {
        body: {
          kind: props.oven.kind,
          volume_l: props.oven.volume_l,
          heat_up,
          dial: read,
          browned: browned.value,
        },
      }),
    )
    refused.value = ''
    emit('take', found.value)
  } catch (error) {
    found.value = null
    refused.value = error instanceof Refused && error.message ? error.message : words.failed
  }
}
</script>

<template>
  <details class="learn">
    <summary>{{ t.learn }}</summary>
    <ol>
      <li>
        <p>{{ t.learnHeat }}</p>
        <div class="row">
          <div v-for="(row, index) in heatUp" :key="index" class="pair">
            <MaybeField v-model="row.min" :label="t.atMinute" unit="min" />
            <MaybeField v-model="row.c" :label="t.reads" unit="°C" />
          </div>
          <ElButton class="link small" @click="heatUp.push({ min: null, c: null })">
            {{ t.another }}
          </ElButton>
        </div>
      </li>
      <li>
        <p>{{ t.learnDial }}</p>
        <div class="row">
          <div v-for="(row, index) in dial" :key="index" class="pair">
            <MaybeField v-model="row.set_c" :label="t.dialAt" unit="°C" />
            <MaybeField v-model="row.read_c" :label="t.reads" unit="°C" />
          </div>
        </div>
      </li>
      <li>
        <p>{{ t.learnSides }}</p>
        <PickField v-model="browned" :label="t.hotSide" :options="sides" />
      </li>
    </ol>
    <ElButton class="plain" @click="learn">{{ t.learnNow }}</ElButton>
    <p v-if="refused" role="alert" class="inverted error">{{ refused }}</p>
    <div v-if="found" role="status">
      <p v-for="line in found.said" :key="line">{{ say(line) }}</p>
      <p v-if="!found.said.length" class="quiet">{{ t.nothingLearnt }}</p>
    </div>
  </details>
</template>

<style scoped>
.learn {
  margin-top: 12px;
  padding: 8px 0;
  border-top: 1px solid var(--hairline);
}
summary {
  min-height: 44px;
  font-weight: 600;
  cursor: pointer;
}
ol {
  list-style: decimal;
  padding-left: 20px;
}
li {
  padding: 6px 0;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: end;
}
.pair {
  display: flex;
  gap: 6px;
}
.pair > * {
  width: 110px;
}
.error {
  padding: 8px 12px;
  margin-top: 8px;
}
</style>
