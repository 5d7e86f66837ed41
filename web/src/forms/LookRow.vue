<script setup lang="ts" generic="T extends string">
/** Looks to press, each drawn: one of them, or several; pressed again it is taken back. */
const props = defineProps<{ legend: string; options: { value: T; label: string }[]; several?: boolean }>()
const model = defineModel<T[]>({ required: true })

function press(value: T) {
  if (model.value.includes(value)) model.value = model.value.filter((each) => each !== value)
  else model.value = props.several ? [...model.value, value] : [value]
}
</script>

<template>
  <div class="looks" role="group" :aria-label="legend">
    <span class="legend">{{ legend }}</span>
    <ElButton
      v-for="option in options"
      :key="option.value"
      class="look"
      :class="{ on: model.includes(option.value) }"
      :aria-pressed="model.includes(option.value)"
      @click="press(option.value)"
    >
      <slot :value="option.value" />
      <span>{{ option.label }}</span>
    </ElButton>
  </div>
</template>

<style scoped>
.looks {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: stretch;
}
.legend {
  flex: 0 0 128px;
  align-self: center;
  font-weight: 650;
  font-size: 1.1875rem;
  line-height: 1.15;
}
.look.el-button {
  height: auto;
  min-width: 96px;
  min-height: 52px;
  margin: 0;
  padding: 6px 10px;
  border: 1.5px solid var(--quiet);
  border-radius: var(--corner);
  background: var(--paper);
  color: var(--ink);
  font-size: 1.0625rem;
  font-weight: 400;
  white-space: normal;
}
.look.el-button :deep(> span) {
  display: grid;
  gap: 2px;
  justify-items: center;
  line-height: 1.15;
}
.look.el-button.on {
  border-color: var(--ink);
  background: var(--ink);
  color: var(--flour);
}
@media (max-width: 720px) {
  .legend {
    flex-basis: 100%;
  }
  .look.el-button {
    flex: 1 1 88px;
    min-width: 0;
  }
}
</style>
