const waiting: (() => void)[] = []
const channel = new MessageChannel()
let called = false

/** One of those who wait has its turn, in a task of its own: between two of them a phone paints and answers. */
channel.port1.onmessage = () => {
  called = false
  waiting.shift()?.()
  call()
}

function call() {
  if (called || !waiting.length) return
  called = true
  channel.port2.postMessage(null)
}

/** Does something in a task of its own, after all that has asked before. What comes back takes it off the list. */
export function inTurn(act: () => void): () => void {
  waiting.push(act)
  call()
  return () => {
    const at = waiting.indexOf(act)
    if (at >= 0) waiting.splice(at, 1)
  }
}
