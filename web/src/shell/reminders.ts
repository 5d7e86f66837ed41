import { computed, onScopeDispose, ref, watch, type InjectionKey, type Ref } from 'vue'
import { words } from '../words'
import { due as dueTitle } from './title'
import { notify } from './worker'
import type { BenchDough, LiveStep } from './bench'

/** The reminders of the whole program, kept by its frame whatever room is open. */
export const REMINDERS: InjectionKey<ReturnType<typeof useReminders>> = Symbol('reminders')

export interface DueStep {
  dough: BenchDough
  step: LiveStep
}

const SOUND = 'gentle-crust.sound'
const REPEAT_MS = 60_000
const MARK = (body: string) =>
  `data:image/svg+xml,${encodeURIComponent(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 32 32">${body}</svg>`)}`
const QUIET_MARK = MARK(
  '<rect width="32" height="32" rx="5" fill="#1c2522"/><path d="M6 22Q16 6 26 22Z" fill="#e2b24a"/>',
)
const DUE_MARK = MARK(
  '<rect width="32" height="32" rx="5" fill="#e2b24a"/><path d="M6 22Q16 6 26 22Z" fill="#1c2522"/>',
)

/** Steps that are due by now and not put off: computed from times alone, so nothing is forgotten by a reload. */
export function dueOf(doughs: BenchDough[], now: number): DueStep[] {
  return doughs
    .flatMap((dough) => dough.steps.map((step) => ({ dough, step })))
    .filter(({ step }) => step.state === 'due' || step.state === 'coming')
    .filter(
      ({ dough, step }) =>
        Math.max(Date.parse(step.at), Date.parse(dough.snoozed[step.key] ?? step.at)) <= now,
    )
    .sort((a, b) => a.step.at.localeCompare(b.step.at))
}

let sounds: AudioContext | undefined
/** Browsers play sound only once the page was touched. */
function wake() {
  sounds ??= 'AudioContext' in window ? new AudioContext() : undefined
  void sounds?.resume()
}

function chime() {
  if (!sounds || sounds.state !== 'running') return
  for (const [index, pitch] of [660, 880, 660].entries()) {
    const at = sounds.currentTime + index * 0.22
    const tone = sounds.createOscillator()
    const loud = sounds.createGain()
    tone.frequency.value = pitch
    loud.gain.setValueAtTime(0.0001, at)
    loud.gain.exponentialRampToValueAtTime(0.3, at + 0.02)
    loud.gain.exponentialRampToValueAtTime(0.0001, at + 0.2)
    tone.connect(loud).connect(sounds.destination)
    tone.start(at)
    tone.stop(at + 0.21)
  }
}

/** Sound, notification, title and tab mark for what is due, until it is answered or put off. */
export function useReminders(doughs: Ref<BenchDough[]>, now: Ref<number>) {
  const loud = ref(localStorage.getItem(SOUND) !== 'off')
  const allowed = ref('Notification' in window ? Notification.permission : 'missing')
  const due = computed(() => dueOf(doughs.value, now.value))
  const called = new Map<string, number>()

  function setSound(on: boolean) {
    loud.value = on
    localStorage.setItem(SOUND, on ? 'on' : 'off')
    if (on) {
      wake()
      setTimeout(chime, 60)
    }
  }
  async function allow() {
    if (!('Notification' in window)) return
    allowed.value = await Notification.requestPermission()
  }

  function call({ dough, step }: DueStep) {
    if (loud.value) chime()
    if (allowed.value !== 'granted' || !document.hidden) return
    notify(step.title, { body: `${dough.name}. ${step.say}`, tag: `${dough.id}-${step.key}` }).catch(
      () => (allowed.value = 'withheld'),
    )
  }

  function remind() {
    const keys = new Set<string>()
    for (const one of due.value) {
      const key = `${one.dough.id}-${one.step.key}`
      keys.add(key)
      const before = called.get(key)
      if (before !== undefined && Date.now() - before < REPEAT_MS) continue
      called.set(key, Date.now())
      call(one)
    }
    for (const key of called.keys()) if (!keys.has(key)) called.delete(key)
  }
  const timer = setInterval(remind, 5000)

  const icon = document.querySelector<HTMLLinkElement>('link[rel="icon"]') ?? document.createElement('link')
  icon.rel = 'icon'
  if (!icon.parentNode) document.head.append(icon)
  watch(
    due,
    (list) => {
      const first = list[0]
      dueTitle.value = first ? words.bench.titleDue({ step: first.step.title, dough: first.dough.name }) : ''
      icon.href = first ? DUE_MARK : QUIET_MARK
      remind()
    },
    { immediate: true },
  )
  window.addEventListener('pointerdown', wake, { once: true })
  onScopeDispose(() => clearInterval(timer))
  return { due, loud, allowed, setSound, allow }
}
