import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Plugin } from 'vite'

const SHIPPED = /\.(js|css|html|svg|png|woff2|webmanifest)$/

/**
 * Makes the service worker at the end of a build: in front of its source come the list of what the build wrote and what
 * lies in the public folder, and a version that changes with any of it.
 */
export function serviceWorker({ source, publicFolder }: { source: string; publicFolder: string }): Plugin {
  return {
    name: 'inkpath-service-worker',
    apply: 'build',
    generateBundle: {
      order: 'post',
      handler(_options, bundle) {
        const hash = createHash('sha256')
        const paths: string[] = []
        const add = (path: string, content: string | Uint8Array) => {
          if (!SHIPPED.test(path)) return
          paths.push(`/${path}`)
          hash.update(path).update(content)
        }
        for (const name of readdirSync(publicFolder)) add(name, readFileSync(join(publicFolder, name)))
        for (const [name, file] of Object.entries(bundle))
          add(name, file.type === 'chunk' ? file.code : file.source)
        const worker = readFileSync(source, 'utf8')
        const version = hash.update(worker).digest('hex').slice(0, 16)
        this.emitFile({
          type: 'asset',
          fileName: 'sw.js',
          source: `const PRECACHE = ${JSON.stringify(paths.sort())}\nconst VERSION = '${version}'\n${worker}`,
        })
      },
    },
  }
}
