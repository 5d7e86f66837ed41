<script setup lang="ts">
import { computed } from 'vue'

/** Our own line drawings of what a culture or preferment shows: one weight of ink, one flat tint. */
const props = defineProps<{ of: string }>()
const TOPS: Record<string, string> = {
  domed: 'M7 26Q22 10 37 26',
  flat: 'M7 22H37',
  sunken: 'M7 17Q22 31 37 17',
  dimpled: 'M7 21Q10 21 12 23Q15 20 18 23Q22 20 26 23Q29 20 32 23Q35 21 37 21',
  collapsed: 'M7 14Q11 30 22 30Q33 30 37 14',
}
const top = computed(() => TOPS[props.of])
const body = computed(() => (top.value ? `${top.value}V40H7Z` : ''))
</script>

<template>
  <svg width="44" height="46" viewBox="0 0 44 46" aria-hidden="true">
    <template v-if="top">
      <path class="tint" :d="body" />
      <path class="ink" :d="top" />
      <path class="ink" d="M7 6V40H37V6" />
    </template>
    <template v-else>
      <path class="water" d="M7 18H37V40H7Z" />
      <path class="ink" d="M7 6V40H37V6M7 18H15M29 18H37" />
      <circle class="tint inked" cx="22" :cy="of === 'floats' ? 17 : 34" r="6" />
    </template>
  </svg>
</template>

<style scoped>
svg {
  display: block;
}
.ink,
.inked {
  fill: none;
  stroke: currentColor;
  stroke-width: 1.8;
  stroke-linejoin: round;
  stroke-linecap: round;
}
.tint,
.tint.inked {
  fill: #e2c77f;
}
.water {
  fill: var(--steam);
  opacity: 0.45;
}
</style>
