import { afterEach, expect, test } from '@jest/globals'
import { spawn, type ChildProcess } from 'node:child_process'
import { once } from 'node:events'
import { createServer, type AddressInfo } from 'node:net'
import { join } from 'node:path'
import { root } from '../scripts/set-up.mjs'

const started: ChildProcess[] = []
afterEach(() => started.splice(0).forEach(server => server.kill('SIGTERM')))

/** What the server says up to its address. */
async function saidWith(port: string): Promise<string> {
  const server = spawn(join(root, 'node_modules/.bin/tsx'), ['server/serve.ts'], {
    cwd: root,
    env: { ...process.env, PORT: port },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  started.push(server)
  let said = ''
  for await (const chunk of server.stdout) {
    said += String(chunk)
    if (said.includes('Veld is at')) break
  }
  return said
}

test('a port that is taken: another one, what that means for what was entered, and the way back', async () => {
  const other = createServer().listen(0, '127.0.0.1')
  await once(other, 'listening')
  const { port } = other.address() as AddressInfo
  const said = await saidWith(String(port))
  other.close()
  expect(said).toContain(`Port ${port} is taken`)
  expect(said).toContain(`what you entered at ${port} is still there`)
  expect(said).toMatch(/Veld is at http:\/\/127\.0\.0\.1:\d+\/\n/)
  expect(said).not.toContain(`127.0.0.1:${port}/`)
}, 30_000)

test.each(['', '  '])(
  'PORT set to "%s" is the usual one',
  async port => {
    // the usual port may be another Veld's here: then it is named as taken
    expect(await saidWith(port)).toMatch(/127\.0\.0\.1:4180\/|Port 4180 is taken/)
  },
  30_000,
)
