import { serve } from '@hono/node-server'
import { createServer } from 'node:net'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { makeApp } from './static-app.ts'

const FIRST_PORT = 4180
const folder = join(dirname(fileURLToPath(import.meta.url)), '../dist')
const wanted = process.env['PORT']

/** The first free port on loopback from the wanted one on; 0 lets the system choose. */
async function freePort(port: number): Promise<number> {
  if (port === 0) return 0
  const isFree = await new Promise<boolean>(resolve => {
    const probe = createServer()
    probe.once('error', () => resolve(false))
    probe.listen(port, '127.0.0.1', () => probe.close(() => resolve(true)))
  })
  return isFree ? port : freePort(port + 1)
}

const port = await freePort(wanted === undefined ? FIRST_PORT : Number(wanted))
const server = serve({ fetch: makeApp(folder).fetch, hostname: '127.0.0.1', port }, info => {
  const start = process.argv.includes('--demo') ? '#/demo' : ''
  console.log(`Veld is at http://127.0.0.1:${info.port}/${start}`)
})

for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => {
    server.close()
    if ('closeAllConnections' in server) server.closeAllConnections()
  })
