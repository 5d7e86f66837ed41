const LINGERS_MS = 800

/**
 * Lets a field write back only what a hand is doing to it, or did a moment ago. A slider or a stepper that is opened
 * with a figure outside its marks, or between them, puts it right by itself: that is nobody's wish.
 */
export function useByHand() {
  let down = false
  let at = -Infinity
  const touch = () => void (at = performance.now())
  function press() {
    down = true
    const lift = () => {
      down = false
      touch()
    }
    window.addEventListener('pointerup', lift, { once: true })
    window.addEventListener('pointercancel', lift, { once: true })
  }
  const hand = {
    onPointerdownCapture: press,
    onKeydownCapture: touch,
    onInputCapture: touch,
    onChangeCapture: touch,
    onWheelCapture: touch,
  }
  return { hand, byHand: () => down || performance.now() - at < LINGERS_MS }
}
