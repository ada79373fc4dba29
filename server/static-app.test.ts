import { expect, test } from '@jest/globals'
import { mkdtempSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { makeApp } from './static-app.ts'

const folder = mkdtempSync(join(tmpdir(), 'veld-static-'))
writeFileSync(join(folder, 'index.html'), '<p>here</p>')
const app = makeApp(folder)

test('serves the page under a strict policy', async () => {
  const response = await app.request('/')
  expect(await response.text()).toContain('here')
  const policy = response.headers.get('content-security-policy') ?? ''
  expect(policy).toContain("script-src 'self' 'wasm-unsafe-eval'")
  expect(policy).toContain("frame-ancestors 'none'")
  expect(response.headers.get('x-content-type-options')).toBe('nosniff')
})

test('says where to go when there is nothing, and stays inside its folder', async () => {
  expect((await app.request('/nothing')).status).toBe(404)
  expect((await app.request('/..%2f..%2fetc%2fpasswd')).status).toBe(404)
})
