/**
 * The program begins in several short tasks, so that a slow phone paints and answers between them: what all is built on
 * is read first, each in a task of its own.
 */
await import('./begin/frame')
await import('./begin/tools')
await import('element-plus/es/components/button/index')
await import('./words')
await import('./begin/start')
export {}
