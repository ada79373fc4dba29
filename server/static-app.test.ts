import { afterAll, expect, test } from '@jest/globals'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { contentPolicyText } from './content-policy.ts'
import { makeApp } from './static-app.ts'

const folder = mkdtempSync(join(tmpdir(), 'veld-static-'))
writeFileSync(join(folder, 'index.html'), '<p>here</p>')
const app = makeApp(folder)
afterAll(() => rmSync(folder, { recursive: true }))

test('serves the page under a strict policy', async () => {
  const response = await app.request('/')
  expect(await response.text()).toContain('here')
  const policy = response.headers.get('content-security-policy') ?? ''
  expect(policy).toContain("script-src 'self' 'wasm-unsafe-eval'")
  expect(policy).toContain("frame-ancestors 'none'")
  expect(response.headers.get('x-content-type-options')).toBe('nosniff')
})

test('only what Veld needs may be loaded or asked of the device', async () => {
  const { headers } = await app.request('/')
  const policy = headers.get('content-security-policy')!
  expect(policy).toContain("img-src 'self' blob:;")
  expect(policy).toContain("connect-src 'self';")
  expect(policy).toContain("font-src 'self';")
  for (const part of contentPolicyText().split('; ')) expect(policy).toContain(part)
  expect(headers.get('permissions-policy')).toContain('camera=()')
  expect(headers.get('permissions-policy')).toContain('geolocation=()')
})

test.each(['/', '/index.html', '/sw.js'])('%s is asked for each time', async path => {
  expect((await app.request(path)).headers.get('cache-control')).toBe('no-cache')
})

test.each([
  ['127.0.0.1:4180', 200],
  ['localhost', 200],
  ['[::1]:4180', 200],
  ['veld.example', 421],
  ['127.0.0.1.example:4180', 421],
])('asked as %s it answers %d', async (host, status) => {
  expect((await app.request('/', { headers: { host } })).status).toBe(status)
})

test('says where to go when there is nothing, and stays inside its folder', async () => {
  expect((await app.request('/nothing')).status).toBe(404)
  expect((await app.request('/..%2f..%2fetc%2fpasswd')).status).toBe(404)
})
