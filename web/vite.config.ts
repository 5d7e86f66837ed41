import { FluentResource } from '@fluent/bundle'
import vue from '@vitejs/plugin-vue'
import Components from 'unplugin-vue-components/vite'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import { defineConfig, type Plugin } from 'vite'

const OUT = '../src/gentle_crust/web'

/** What every room needs comes in few files: each file asked for costs a phone more than its bytes. */
const GROUPS = [
  { name: 'loading', test: /preload-helper/, priority: 4 },
  {
    name: 'frame',
    test: /node_modules.(@vue|vue|vue-router|@tanstack|@fluent|idb-keyval|openapi-fetch)\b/,
    priority: 3,
  },
  { name: 'tools', test: /node_modules.(?!element-plus)/, minShareCount: 4, priority: 2 },
  { name: 'hardware', test: /node_modules/, minShareCount: 4, priority: 2 },
  { name: 'shared', test: /src.(shell|forms|charts|api|theme)|words/, minShareCount: 4, priority: 1 },
]

/** What the first page fetches by itself. */
const FIRST = new RegExp(
  `(${[...GROUPS.map(({ name }) => name), 'rolldown-runtime'].join('|')})-[\\w-]+\\.js$`,
)

/** The worker is told what to keep, and under which name: another one for every build that differs. */
function nameParts(files: string[]) {
  const kept = files
    .filter((each) => /\.(js|css|woff2|svg|png|webmanifest)$/.test(each) && each !== 'sw.js')
    .sort()
  const parts = ['/', ...kept.map((each) => `/${each.replaceAll('\\', '/')}`)]
  const mark = createHash('sha256')
  for (const each of ['index.html', ...kept]) mark.update(each).update(readFileSync(join(OUT, each)))
  const worker = readFileSync(join(OUT, 'sw.js'), 'utf8')
    .replace(/const ASSETS = .*/, `const ASSETS = ${JSON.stringify(parts)}`)
    .replace(/const SHELL = .*/, `const SHELL = 'shell-${mark.digest('hex').slice(0, 12)}'`)
  writeFileSync(join(OUT, 'sw.js'), worker)
}

const CATALOGUES = fileURLToPath(new URL('../src/gentle_crust/text/en/page', import.meta.url))
const WORDS = fileURLToPath(new URL('./src/words.ts', import.meta.url))

/** Which catalogues hold the keys that begin with a word. */
function holders(): Map<string, Set<string>> {
  const found = new Map<string, Set<string>>()
  for (const name of readdirSync(CATALOGUES)) {
    const file = join(CATALOGUES, name)
    for (const [, first] of readFileSync(file, 'utf8').matchAll(/^([a-zA-Z]+)[-\w]* =/gm)) {
      if (!found.has(first!)) found.set(first!, new Set())
      found.get(first!)!.add(file)
    }
  }
  return found
}

/** Catalogues of words, read when the page is built; each comes with what says `words.` and its first part. */
function catalogues(): Plugin {
  const held = holders()
  return {
    name: 'catalogues',
    enforce: 'pre',
    transform(text, id) {
      if (id.endsWith('.ftl')) {
        const { body } = new FluentResource(text)
        const data = JSON.stringify(JSON.stringify(body))
        return {
          code: `import { heard } from ${JSON.stringify(WORDS)}\nheard(JSON.parse(${data}))`,
          map: null,
        }
      }
      if (!/src.+\.(vue|ts)$/.test(id) || id.includes('node_modules')) return null
      const firsts = new Set([...text.matchAll(/\bwords\.([a-zA-Z]+)/g)].map(([, first]) => first!))
      const files = new Set([...firsts].flatMap((first) => [...(held.get(first) ?? [])]))
      if (!files.size || !/import \{[^}]*\bwords\b/.test(text)) return null
      const asked = [...files].map((file) => `import ${JSON.stringify(file)};`).join('')
      const code = id.endsWith('.vue') ? text.replace(/<script setup[^>]*>/, `$&${asked}`) : asked + text
      return { code, map: null }
    },
  }
}

/** What the first screen is made of is fetched at once, though it is read in several tasks (see main.ts). */
function fetchedAtOnce(): Plugin {
  return {
    name: 'fetched-at-once',
    transformIndexHtml: {
      order: 'post',
      handler(_, { bundle }) {
        const chunks = Object.values(bundle ?? {}).filter((each) => each.type === 'chunk')
        const named = new Map(chunks.map((each) => [each.fileName, each]))
        const files = new Set<string>()
        const gather = (file: string) => {
          if (files.has(file)) return
          files.add(file)
          named.get(file)?.imports.forEach(gather)
        }
        chunks.filter((each) => each.name === 'start').forEach((each) => gather(each.fileName))
        return [...files].map((file) => ({
          tag: 'link',
          attrs: { rel: 'modulepreload', crossorigin: true, href: `/${file}` },
          injectTo: 'head',
        }))
      },
    },
  }
}

/** Beside every text file of the build what is sent in its place, once as brotli, once as gzip. */
function compressed(): Plugin {
  return {
    name: 'compressed',
    apply: 'build',
    closeBundle() {
      const files = readdirSync(OUT, { recursive: true, encoding: 'utf8' })
      nameParts(files)
      for (const name of files.filter((each) => /\.(js|css|html|svg|webmanifest)$/.test(each))) {
        const data = readFileSync(join(OUT, name))
        const best = { params: { [constants.BROTLI_PARAM_QUALITY]: constants.BROTLI_MAX_QUALITY } }
        writeFileSync(join(OUT, `${name}.br`), brotliCompressSync(data, best))
        writeFileSync(join(OUT, `${name}.gz`), gzipSync(data, { level: 9 }))
      }
    },
  }
}

export default defineConfig({
  plugins: [
    catalogues(),
    fetchedAtOnce(),
    compressed(),
    vue(),
    Components({ dirs: [], dts: false, resolvers: [ElementPlusResolver()] }),
  ],
  build: {
    outDir: OUT,
    emptyOutDir: true,
    target: 'es2022',
    modulePreload: { resolveDependencies: (_, files) => files.filter((each) => !FIRST.test(each)) },
    rolldownOptions: { output: { codeSplitting: { groups: GROUPS } } },
  },
  server: { proxy: { '/api': 'http://127.0.0.1:8417' } },
})
