import { ref, watchEffect } from 'vue'

export type Light = 'auto' | 'light' | 'dark'
const KEY = 'gentle-crust.light'
const stored = localStorage.getItem(KEY)
const dusk = window.matchMedia('(prefers-color-scheme: dark)')
const system = ref(dusk.matches)
dusk.addEventListener('change', (event) => (system.value = event.matches))

/** Day, before dawn, or as the system says; kept on this device. */
export const light = ref<Light>(stored === 'light' || stored === 'dark' ? stored : 'auto')

watchEffect(() => {
  localStorage.setItem(KEY, light.value)
  const dark = light.value === 'dark' || (light.value === 'auto' && system.value)
  document.documentElement.dataset.light = dark ? 'dark' : 'light'
})
