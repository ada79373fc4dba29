import { createAdaptorServer } from '@hono/node-server'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { listenOnLoopback } from './listen.ts'
import { makeApp } from './static-app.ts'

const USUAL_PORT = 4180
const folder = join(dirname(fileURLToPath(import.meta.url)), '../dist')
const wanted = process.env['PORT']

const server = createAdaptorServer({ fetch: makeApp(folder).fetch })
try {
  const port = await listenOnLoopback(server, wanted === undefined ? USUAL_PORT : Number(wanted))
  console.log(`Veld is at http://127.0.0.1:${port}/${process.argv.includes('--demo') ? '#/demo' : ''}`)
} catch (error) {
  console.error(error instanceof Error ? error.message : error)
  process.exit(1)
}

for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    server.close()
    if ('closeAllConnections' in server) server.closeAllConnections()
  })
