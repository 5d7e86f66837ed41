/**
 * The program begins in several short tasks, so that a slow phone paints and answers between them: what all is built on
 * is read first, each in a task of its own. Day or dark is settled before anything is drawn.
 */
import './shell/theme'

await import('./begin/tools')
await import('element-plus/es/components/button/index')
await import('./words')
await import('./begin/start')
