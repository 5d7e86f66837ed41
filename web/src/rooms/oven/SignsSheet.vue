<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { computed, ref, watch } from 'vue'
import MaybeMassField from '../../forms/MaybeMassField.vue'
import { api, ask, type Schemas } from '../../api/client'
import { crustColour } from '../../charts/temperature'
import MaybeField from '../../forms/MaybeField.vue'
import { useActing } from '../../shell/acting'
import { newKey } from '../../shell/keys'
import { useNewest } from '../../shell/newest'
import { useUnits } from '../../shell/units'
import { words } from '../../words'

type Body = Omit<Schemas['OvenLoafSignsBody'], 'bake'>
/** A loaf looked at: core, colour by chips, base, weight; and what to do with it. */
const props = defineProps<{
  bake: Schemas['OvenBakeBody']
  chips: Schemas['ChipAnswer'][]
  /** How long the bake is drawn, min. */
  length: number
}>()
const emit = defineEmits<{ taught: [] }>()
const t = words.oven
const { fromDegrees, fahrenheit, warmth, say } = useUnits()
const core = ref<number | null>(null)
const out = ref<number | null>(null)
const colour = ref<number | null>(null)
const base = ref<number | null>(null)
const { answer: found, refused: problem } = useNewest(
  () => {
    const body: Body = {
      core_c: core.value == null ? null : fromDegrees(core.value),
      colour: colour.value,
      base_colour: base.value,
      out_g: out.value,
    }
    return Object.values(body).every((value) => value == null) ? null : { bake: props.bake, ...body }
  },
  (body) => ask(api.POST('/api/oven/signs', { body })),
)
const minutes = ref<number | null>(null)
const taught = ref(false)
const client = useQueryClient()
const { problem: wrong, busy, act } = useActing()
const asked = computed(() => JSON.stringify([props.bake, core.value, out.value, colour.value, minutes.value]))
watch(asked, () => (taught.value = false))
const measured = computed(() => [core.value, out.value, colour.value].some((value) => value != null))
const teach = () =>
  act(async () => {
    const body = {
      bake: props.bake,
      core_c: core.value == null ? null : fromDegrees(core.value),
      colour: colour.value,
      out_g: out.value,
      baked_min: minutes.value,
    }
    const learnt = await ask(api.PUT('/api/oven/learnt/{key}', { params: { path: { key: newKey() } }, body }))
    client.setQueryData(['oven', 'learnt'], learnt)
    taught.value = true
    emit('taught')
    await client.invalidateQueries({ queryKey: ['plans'] })
  })
const refused = computed(() => problem.value?.message ?? '')
</script>

<template>
  <section class="signs">
    <h2>{{ t.isItDone }}</h2>
    <div class="fields">
      <MaybeField v-model="core" :label="t.coreNow" :unit="fahrenheit ? '°F' : '°C'" />
      <MaybeMassField v-model="out" :label="t.outWeight" />
    </div>
    <fieldset v-for="part in ['top', 'base'] as const" :key="part" class="chips">
      <legend class="small quiet">{{ part === 'top' ? t.topColour : t.baseColour }}</legend>
      <button
        v-for="{ shade, colour: chip } in chips"
        :key="chip"
        type="button"
        class="chip"
        :aria-pressed="(part === 'top' ? colour : base) === chip"
        @click="
          part === 'top' ? (colour = colour === chip ? null : chip) : (base = base === chip ? null : chip)
        "
      >
        <svg width="44" height="34" aria-hidden="true">
          <path
            d="M3 28C3 10 12 4 22 4s19 6 19 24q0 4-4 4H7q-4 0-4-4z"
            :fill="crustColour(chip / 100)"
            stroke="currentColor"
            stroke-width="1.5"
          />
          <path
            v-if="part === 'top'"
            d="M12 16q10-7 20-4"
            fill="none"
            stroke="currentColor"
            stroke-width="1.5"
          />
        </svg>
        <span>{{ shade }}</span>
      </button>
    </fieldset>
    <div v-if="refused" class="inverted error" role="alert">{{ refused }}</div>
    <div v-else-if="found" class="verdict" role="status">
      <strong v-if="!found.signs.length">{{ t.done }}</strong>
      <p v-for="sign in found.signs" :key="sign.code">
        <strong>{{ t.more({ min: sign.minutes }) }}</strong>{{ ' ' }}{{ say(sign.text) }}
      </p>
      <p class="small quiet">
        {{ t.wanted({ core: warmth(found.done.core_c), loss: Math.round(found.done.loss * 100) }) }}
        <template v-if="found.loss != null">{{ t.lost({ loss: (found.loss * 100).toFixed(1) }) }}</template>
      </p>
      <div v-if="measured" class="teach no-print">
        <MaybeField
          v-model="minutes"
          :label="t.bakedMin"
          unit="min"
          :usual="Math.round(length)"
          :digits="0"
        />
        <ElButton class="plain" :loading="busy" :disabled="taught" @click="teach">{{ t.teach }}</ElButton>
      </div>
      <p v-if="taught" class="small" role="status">{{ t.taughtSo }}</p>
      <p v-if="wrong" class="inverted error" role="alert">{{ wrong }}</p>
    </div>
  </section>
</template>

<style scoped>
.signs {
  margin-top: 24px;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  margin-top: 8px;
}
.chips legend {
  float: left;
  width: 100%;
}
.chip {
  display: grid;
  place-items: center;
  min-width: 72px;
  min-height: 56px;
  padding: 4px;
  border: 1.5px solid transparent;
  border-radius: var(--corner);
  background: none;
  font-size: 0.8125rem;
  cursor: pointer;
}
.chip:hover {
  border-color: var(--quiet);
}
.chip[aria-pressed='true'] {
  border-color: var(--ink);
  background: var(--paper);
  font-weight: 650;
}
.teach {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 16px;
  align-items: end;
  margin: 8px 0;
}
.verdict {
  margin-top: 12px;
  padding-left: 12px;
  border-left: 3px solid var(--ink);
}
.error {
  margin-top: 12px;
  padding: 8px 12px;
}
</style>
