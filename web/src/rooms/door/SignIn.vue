<script setup lang="ts">
import { useQueryClient } from '@tanstack/vue-query'
import { ref } from 'vue'
import { RouterLink } from 'vue-router'
import { api, ask, Refused, signedIn } from '../../api/client'
import { useBench } from '../../shell/bench'
import { words } from '../../words'

/** The door: the kitchen's passcode, given once on each device. */
const t = words.door
const client = useQueryClient()
const { send, poll, waits } = useBench()
const passcode = ref('')
const name = ref(usualName())
const problem = ref('')
const busy = ref(false)

/** A device is known by what it is; the baker may call it otherwise. */
function usualName(): string {
  const agent = navigator.userAgent
  if (/iPad|Tablet/.test(agent)) return t.tablet
  return /Mobi|Android|iPhone/.test(agent) ? t.phone : t.computer
}

async function enter() {
  if (!passcode.value.trim()) {
    problem.value = t.empty
    return
  }
  busy.value = true
  problem.value = ''
  try {
    await ask(api.POST('/api/sign-in', { body: { passcode: passcode.value, name: name.value } }))
    signedIn()
    await client.invalidateQueries()
    await send()
    await poll()
  } catch (error) {
    problem.value = error instanceof Refused && error.message ? error.message : words.failed
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section class="door">
    <h1>{{ t.title }}</h1>
    <p class="lead">{{ t.lead }}</p>
    <p v-if="waits" role="status">{{ t.waits }}</p>
    <form novalidate @submit.prevent="enter">
      <label for="passcode">{{ t.passcode }}</label>
      <ElInput
        id="passcode"
        v-model="passcode"
        size="large"
        autocomplete="current-password"
        autocapitalize="none"
        spellcheck="false"
        :aria-invalid="problem !== ''"
        :aria-describedby="problem ? 'passcode-problem' : undefined"
      />
      <p v-if="problem" id="passcode-problem" class="inverted error" role="alert">{{ problem }}</p>
      <label for="device-name">{{ t.name }}</label>
      <ElInput id="device-name" v-model="name" size="large" maxlength="60" />
      <ElButton native-type="submit" class="action" size="large" :loading="busy">{{ t.enter }}</ElButton>
    </form>
    <p class="quiet">
      {{ t.warned }} <RouterLink to="/trust">{{ t.trust }}</RouterLink>
    </p>
  </section>
</template>

<style scoped>
.door {
  max-width: 460px;
  margin: 0 auto;
  padding: 48px 20px;
}
h1 {
  font-size: 2.5rem;
  margin-bottom: 8px;
}
.lead {
  margin-bottom: 24px;
}
form {
  display: grid;
  gap: 8px;
  margin-bottom: 24px;
}
form .el-button {
  margin-top: 12px;
  min-height: 56px;
}
.error {
  padding: 8px 12px;
}
</style>
