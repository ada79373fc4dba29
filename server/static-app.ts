import { serveStatic } from '@hono/node-server/serve-static'
import { Hono } from 'hono'
import { secureHeaders } from 'hono/secure-headers'
import { relative } from 'node:path'

/** Serves the built folder as it is, with a strict content policy. No data pass through here: they stay in the browser. */
export function makeApp(folder: string): Hono {
  const app = new Hono()
  app.use(
    secureHeaders({
      contentSecurityPolicy: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        workerSrc: ["'self'"],
        // Mantine and ECharts set inline styles
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'", 'data:'],
        connectSrc: ["'self'", 'blob:', 'data:'],
        objectSrc: ["'none'"],
        baseUri: ["'self'"],
        frameAncestors: ["'none'"],
        formAction: ["'self'"],
      },
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
  app.use('/*', serveStatic({ root: relative(process.cwd(), folder) || '.' }))
  app.notFound(c => c.text('Nothing is kept at this address. Start at /', 404))
  return app
}
