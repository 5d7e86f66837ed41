import { ref } from 'vue'

/** Whether the bench would open here after a reload without a connection: not known yet, it would, or why it would not. */
export const survives = ref<'unknown' | 'yes' | 'untrusted' | 'cannot'>('unknown')

/** Register what keeps the program's pages on this device. Browsers do so only under a certificate that they trust. */
export async function registerWorker() {
  if (!('serviceWorker' in navigator)) {
    survives.value = window.isSecureContext ? 'cannot' : 'untrusted'
    return
  }
  try {
    await navigator.serviceWorker.register('/sw.js')
    await navigator.serviceWorker.ready
    survives.value = 'yes'
  } catch {
    survives.value = 'untrusted'
  }
}

/** A notice that also comes on phones, where only the worker may give one. */
export async function notify(title: string, more: NotificationOptions) {
  if (survives.value === 'yes') return (await navigator.serviceWorker.ready).showNotification(title, more)
  new Notification(title, more)
}
