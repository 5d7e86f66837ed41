import type { Router } from 'vue-router'
import { room } from './title'
import { words } from '../words'

/* Where the keyboard is. A browser drops the focus when its element goes or is put out of use; then Tab starts at the
   top again, and a screen reader says nothing. Here it goes back to where it came from. */

const TRAIL = 12
const USABLE =
  'a[href], button:not(:disabled), input:not(:disabled), select:not(:disabled), textarea:not(:disabled), summary, [tabindex]:not([tabindex="-1"])'
interface Trace {
  element: HTMLElement
  /** What it stood in, the nearest first. */
  around: Element[]
}
/** What had the focus, the latest last. */
let trail: Trace[] = []

const lost = () => document.activeElement === null || document.activeElement === document.body
const usable = (element: Element): element is HTMLElement =>
  element.isConnected &&
  element.checkVisibility() &&
  (element.matches(USABLE) || element.matches('[tabindex]'))

function remember({ target }: FocusEvent) {
  if (!(target instanceof HTMLElement) || target === document.body) return
  const around: Element[] = []
  for (let each = target.parentElement; each && each !== document.body; each = each.parentElement)
    around.push(each)
  trail = [...trail.filter((each) => each.element !== target), { element: target, around }].slice(-TRAIL)
}

/** Give the focus to something that need not take it by itself. */
export function focusOn(element: HTMLElement) {
  if (!element.matches(USABLE)) element.tabIndex = -1
  element.focus({ preventScroll: true })
}

/** Where the focus goes whose element went: what was focused before it, near by, else what stands nearest. */
function heir({ around }: Trace): HTMLElement | undefined {
  const left = around.find((each) => each.isConnected && each.checkVisibility())
  if (!left) return undefined
  const before = trail.findLast((each) => left.contains(each.element) && usable(each.element))
  if (before) return before.element
  const heading = left.querySelector<HTMLElement>('h1, h2')
  return heading ?? left.querySelector<HTMLElement>(USABLE) ?? (left as HTMLElement)
}

function bringBack() {
  const last = trail.at(-1)
  if (last?.element.isConnected && !usable(last.element)) wasOut.add(last.element)
  if (!last || !lost()) return
  if (last.element.isConnected) {
    /* One that was out of use for a moment, while it saved, has it again. */
    if (wasOut.has(last.element) && usable(last.element)) focusOn(last.element)
    return
  }
  trail = trail.slice(0, -1)
  const next = heir(last)
  if (next) focusOn(next)
}
const wasOut = new WeakSet<Element>()

/** Keep the focus, whatever comes and goes. */
export function keepFocus() {
  document.addEventListener('focusin', remember)
  /* Who touches the empty page wants the focus nowhere. */
  document.addEventListener('pointerdown', () => lost() && trail.pop())
  new MutationObserver(bringBack).observe(document.body, {
    childList: true,
    subtree: true,
    attributeFilter: ['disabled', 'hidden'],
  })
}

/** Rooms of several pages, each with a heading of its own. */
const PAGES = new Set(['log'])
const first = (path: string) => path.split('/')[1] ?? ''

/** Each room has its name, and a change of room moves the focus to its heading. */
export function followRooms(router: Router) {
  router.afterEach((to, from) => {
    const name = first(to.path)
    room.value = words.rooms[name as keyof typeof words.rooms] ?? (name === 'trust' ? words.trust.title : '')
    const another = name !== first(from.path) || (PAGES.has(name) && to.path !== from.path)
    if (from.matched.length && another) void toHeading()
  })
}

/** A room's heading may come with its data. */
async function toHeading() {
  for (let tries = 0; tries < 40; tries += 1) {
    await new Promise((done) => setTimeout(done, 50))
    const heading = document.querySelector<HTMLElement>('#content h1')
    if (!heading) continue
    const here = document.activeElement
    if (lost() || !here || !document.getElementById('content')?.contains(here)) focusOn(heading)
    return
  }
}
