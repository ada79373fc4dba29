import { serveStatic } from '@hono/node-server/serve-static'
import { Hono } from 'hono'
import { secureHeaders } from 'hono/secure-headers'
import { relative } from 'node:path'
import { CONTENT_POLICY } from './content-policy.ts'

const LOOPBACK = /^(?:127\.0\.0\.1|localhost|\[::1\])(?::\d{1,5})?$/i
/** Nothing of Veld looks, listens or asks where it is. */
const UNUSED = [
  'camera',
  'microphone',
  'geolocation',
  'accelerometer',
  'gyroscope',
  'payment',
  'usb',
  'serial',
  'bluetooth',
  'hid',
  'midi',
  'displayCapture',
  'browsingTopics',
] as const

/** Serves the built folder as it is, with a strict content policy. No data pass through here: they stay in the browser. */
export function makeApp(folder: string): Hono {
  const app = new Hono()
  app.use(async (c, next) => {
    // a page of another site that had its name point here would otherwise read what is served
    const host = c.req.header('host') ?? new URL(c.req.url).host
    return LOOPBACK.test(host)
      ? next()
      : c.text('Veld answers on this machine only: open it at 127.0.0.1 or localhost.', 421)
  })
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        ...CONTENT_POLICY,
        frameAncestors: ["'none'"],
      },
      permissionsPolicy: Object.fromEntries(UNUSED.map(name => [name, false])),
      referrerPolicy: 'no-referrer',
      xFrameOptions: 'DENY',
      // loopback is plain http: a promise of https would only confuse a later server on the same port
      strictTransportSecurity: false,
    }),
  )
  app.use('/assets/*', async (c, next) => {
    await next()
    if (c.res.ok) c.header('Cache-Control', 'public, max-age=31536000, immutable')
  })
  // what says which version is in use is asked for each time
  for (const path of ['/', '/index.html', '/sw.js', '/manifest.webmanifest'])
    app.use(path, async (c, next) => {
      await next()
      c.header('Cache-Control', 'no-cache')
    })
  app.use('/*', serveStatic({ root: relative(process.cwd(), folder) || '.' }))
  app.notFound(c => c.text('Nothing is kept at this address. Start at /', 404))
  return app
}
