<script setup lang="ts">
/** The warmth of stretches of dough along their length, as gradients `id-0`, `id-1` …. */
defineProps<{
  id: string
  bodies: { from: number; to: number; stops: { offset: number; colour: string }[] }[]
}>()
</script>

<template>
  <defs>
    <linearGradient
      v-for="(part, index) in bodies"
      :id="`${id}-body-${index}`"
      :key="index"
      gradientUnits="userSpaceOnUse"
      :x1="part.from"
      :x2="part.to"
      y1="0"
      y2="0"
    >
      <stop
        v-for="(stop, place) in part.stops"
        :key="place"
        :offset="stop.offset"
        :stop-color="stop.colour"
      />
    </linearGradient>
  </defs>
</template>
