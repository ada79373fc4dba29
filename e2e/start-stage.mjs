import { spawn } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import puppeteer from 'puppeteer-core'
import { findChromium, root } from '../scripts/set-up.mjs'

/**
 * The built app on its own server, and a headless Chromium. They end with `close`, at the latest with this process.
 * @param more said to Chromium beside what it is always told
 * @throws Error where there is no Chromium, or the app is not built
 */
export async function startStage(more = []) {
  const { server, address } = await startServer()
  const profile = mkdtempSync(join(tmpdir(), 'veld-e2e-'))
  const sweep = () => {
    server.kill('SIGTERM')
    // a browser that is just being ended may still write
    rmSync(profile, { recursive: true, force: true, maxRetries: 10, retryDelay: 20 })
  }
  const browser = await launch(profile, more).catch(reason => {
    // a server left behind would keep the tests from ending
    sweep()
    throw reason
  })
  // after the browser, which ends itself then
  process.once('exit', sweep)
  return {
    browser,
    address,
    close: async () => {
      await browser.close()
      process.off('exit', sweep)
      sweep()
    },
    /** From now on neither keeps this process from ending. */
    unref: () => {
      for (const child of [browser.process(), server]) {
        child.unref()
        for (const stream of child.stdio) stream?.unref?.()
      }
    },
  }
}

async function launch(profile, more) {
  const executablePath = findChromium()
  if (!executablePath) throw new Error('There is no Chromium: run npm test, or set CHROMIUM_PATH.')
  return puppeteer.launch({
    executablePath,
    userDataDir: profile,
    headless: true,
    pipe: true,
    // nobody looks at requests: some sixty a page, each told of several times
    networkEnabled: false,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      '--disable-dev-shm-usage',
      ...more,
    ],
  })
}

function startServer() {
  const server = spawn(process.execPath, [join(root, 'dist-server/serve.mjs')], {
    env: { ...process.env, PORT: '0' },
    stdio: ['ignore', 'pipe', 'inherit'],
  })
  return new Promise((resolve, reject) => {
    server.once('exit', code => reject(new Error(`The server ended with ${code}. Run npm run build first.`)))
    server.stdout.on('data', chunk => {
      const found = /http:\/\/127\.0\.0\.1:\d+\//.exec(chunk.toString())
      if (found) resolve({ server, address: found[0] })
    })
  })
}
