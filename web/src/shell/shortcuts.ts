import { ref, watch } from 'vue'

const KEPT = 'gentle-crust.shortcuts'

/** Single letters press at the bench: off until this device's baker wants them. */
export const shortcuts = ref(localStorage.getItem(KEPT) === 'on')
watch(shortcuts, (on) => localStorage.setItem(KEPT, on ? 'on' : 'off'))
