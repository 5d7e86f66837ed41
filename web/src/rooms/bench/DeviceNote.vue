<script setup lang="ts">
import { useQuery } from '@tanstack/vue-query'
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import { api, ask } from '../../api/client'
import TickField from '../../forms/TickField.vue'
import { keeps } from '../../shell/outbox'
import { useReminders } from '../../shell/reminders'
import { shortcuts } from '../../shell/shortcuts'
import { survives } from '../../shell/worker'
import { words } from '../../words'

/** What this device can do to call: sound, notifications, a lit screen; and in words what its browser withholds. */
const props = defineProps<{ reminders: ReturnType<typeof useReminders>; awake: string }>()
const t = words.bench
const phone = useQuery({
  queryKey: ['phone'],
  queryFn: () => ask(api.GET('/api/phone')),
  staleTime: Infinity,
})
const loud = computed(() => props.reminders.loud.value)
const allowed = computed(() => props.reminders.allowed.value)
</script>

<template>
  <details class="device">
    <summary>{{ t.device }}</summary>
    <p>
      {{ loud ? t.soundOn : t.soundOff }}.
      <ElButton class="link" @click="reminders.setSound(!loud)">
        {{ loud ? t.turnOff : t.turnOn }}
      </ElButton>
    </p>
    <p v-if="allowed === 'granted'">{{ t.noticeGranted }}</p>
    <p v-else-if="allowed === 'default'">
      {{ t.noticeAsk }}
      <ElButton class="link" @click="reminders.allow()">{{ t.noticeAllow }}</ElButton>
    </p>
    <p v-else>{{ t.noticeWithheld }}</p>
    <p>{{ awake === 'withheld' ? t.noAwake : t.awake }}</p>
    <p>
      {{ t.survives[survives] }}
      <RouterLink v-if="survives === 'untrusted'" to="/trust">{{ t.howToTrust }}</RouterLink>
    </p>
    <p v-if="!keeps" class="inverted">{{ t.keepsNothing }}</p>
    <p>{{ t.sleeps }}</p>
    <TickField v-model="shortcuts" :label="t.shortcuts" />
    <div v-if="phone.data.value?.address" class="phone">
      <img :src="phone.data.value.qr" :alt="phone.data.value.address" width="165" height="165" />
      <p>
        {{ t.phone }}<br /><strong>{{ phone.data.value.address }}</strong>
      </p>
    </div>
    <p v-else>{{ t.noPhone }}</p>
  </details>
</template>

<style scoped>
.device {
  font-size: 1.0625rem;
}
summary {
  min-height: 44px;
  padding: 10px 0;
  cursor: pointer;
}
.phone {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: center;
  margin-top: 8px;
}
p {
  color: var(--quiet);
}
</style>
