import { createAdaptorServer } from '@hono/node-server'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { listenOnLoopback } from './listen.ts'
import { makeApp } from './static-app.ts'

const USUAL_PORT = 4180
const folder = join(dirname(fileURLToPath(import.meta.url)), '../dist')
// set and empty is as if it were not set
const asked = process.env['PORT']?.trim() ?? ''
const wanted = asked === '' ? USUAL_PORT : Number(asked)

const server = createAdaptorServer({ fetch: makeApp(folder).fetch })
try {
  const port = await listenOnLoopback(server, wanted)
  if (wanted !== 0 && port !== wanted)
    console.log(
      `Port ${wanted} is taken, by another Veld perhaps. A browser keeps what you entered by the address: here it begins empty, and what you entered at ${wanted} is still there. End what holds ${wanted} and start again to get back to it, or save a file there and bring it in here.`,
    )
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
