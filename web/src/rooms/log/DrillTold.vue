<script setup lang="ts">
import { computed } from 'vue'
import type { Schemas } from '../../api/client'
import { words } from '../../words'

/** How a dough really was: what spoke for it, what it would have become, and how well it was read. */
const props = defineProps<{
  told: Schemas['DrillToldAnswer']
  said: string
  stage: 'bulk' | 'final_proof'
  /** How far it was taken to have risen, percent; null where nobody asked. */
  read: number | null
}>()
const emit = defineEmits<{ another: [] }>()
const t = words.drill
const state = computed(() => t.founds[props.told.state]!)
const NEAR = 4
const eye = computed(() => {
  if (props.read === null) return ''
  const off = props.read - props.told.rise_percent
  if (Math.abs(off) <= NEAR) return t.eyeRight
  return (off > 0 ? t.eyeHigh : t.eyeLow)({ by: Math.abs(off) })
})
const was = computed(() => {
  const { rise_percent: rise, share_percent: share, ready_percent: ready } = props.told
  return props.stage === 'bulk' ? t.was({ rise, from: ready[0]!, to: ready[1]! }) : t.wasShare({ share })
})
const lists = computed(() => [
  { title: t.spoke, signs: props.told.spoke.filter(({ bits }) => bits > 0) },
  { title: t.against, signs: props.told.spoke.filter(({ bits }) => bits < 0) },
])
const MOST_BITS = 4
const wide = (bits: number) => `${Math.min((100 * Math.abs(bits)) / MOST_BITS, 100)}%`
</script>

<template>
  <div class="told" role="status">
    <h2>{{ (told.state === said ? t.right : t.wrong)({ state }) }}</h2>
    <p>{{ was }} {{ eye }}</p>
    <p>{{ told.becomes }}</p>
    <p class="small quiet">{{ t.given({ percent: told.given_percent, bits: told.bits.toFixed(1) }) }}</p>
    <p v-if="!told.spoke.length" class="quiet">{{ t.nothing }}</p>
    <template v-for="{ title, signs } in lists" :key="title">
      <template v-if="signs.length">
        <p class="small quiet">{{ title }}</p>
        <ul>
          <li v-for="one in signs" :key="one.says">
            <span class="bar" aria-hidden="true"><span :style="{ width: wide(one.bits) }" /></span>
            {{ one.says }}
          </li>
        </ul>
      </template>
    </template>
    <ElButton class="action" @click="emit('another')">{{ t.another }}</ElButton>
  </div>
</template>

<style scoped>
.told {
  display: grid;
  gap: 8px;
}
li {
  display: grid;
  grid-template-columns: 84px minmax(0, 1fr);
  gap: 12px;
  align-items: center;
}
.bar {
  height: 8px;
  background: var(--hairline);
}
.bar span {
  display: block;
  height: 100%;
  background: var(--ink);
}
</style>
