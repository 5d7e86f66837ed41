import { FluentResource } from '@fluent/bundle'
import vue from '@vitejs/plugin-vue'
import Components from 'unplugin-vue-components/vite'
import { ElementPlusResolver } from 'unplugin-vue-components/resolvers'
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import { defineConfig, type Plugin } from 'vite'

const OUT = '../src/gentle_crust/web'

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

/** Catalogues of words, read when the page is built. */
function catalogues(): Plugin {
  return {
    name: 'catalogues',
    transform(text, id) {
      if (!id.endsWith('.ftl')) return null
      const { body } = new FluentResource(text)
      return { code: `export default JSON.parse(${JSON.stringify(JSON.stringify(body))})`, map: null }
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
    compressed(),
    vue(),
    Components({ dirs: [], dts: false, resolvers: [ElementPlusResolver()] }),
  ],
  build: { outDir: OUT, emptyOutDir: true, target: 'es2022' },
  server: { proxy: { '/api': 'http://127.0.0.1:8417' } },
})
