import { afterEach, expect, test } from '@jest/globals'
import { createServer, type Server } from 'node:net'
import { listenOnLoopback } from './listen.ts'

const open: Server[] = []
const server = () => {
  const made = createServer()
  open.push(made)
  return made
}
afterEach(() => open.splice(0).forEach(item => item.close()))

test('a taken port gives the next free one, even when two start at once', async () => {
  const first = await listenOnLoopback(server(), 0)
  const [a, b] = await Promise.all([listenOnLoopback(server(), first), listenOnLoopback(server(), first)])
  expect(new Set([first, a, b]).size).toBe(3)
  expect(Math.min(a, b)).toBeGreaterThan(first)
})

test('only loopback is listened on', async () => {
  const made = server()
  await listenOnLoopback(made, 0)
  expect(made.address()).toMatchObject({ address: '127.0.0.1' })
})

test.each([Number.NaN, -1, 70_000, 80.5])('%d is no port, and it says what to do', async wanted => {
  await expect(listenOnLoopback(server(), wanted)).rejects.toThrow('PORT must be a whole number')
})
