import { createServer, type Server } from 'node:http'
import { readFile } from 'node:fs/promises'
import { extname, join, normalize } from 'node:path'
import type { AddressInfo } from 'node:net'

const TYPES: Readonly<Record<string, string>> = {
  '.html': 'text/html',
  '.js': 'text/javascript',
  '.css': 'text/css',
  '.svg': 'image/svg+xml',
  '.png': 'image/png',
  '.woff2': 'font/woff2',
  '.webmanifest': 'application/manifest+json',
}

/** The plainest static server there is: a folder under a sub-path, nothing else. `change` rewrites what it hands out; null: it is not there. */
export async function plainServer(
  folder: string,
  subPath: string,
  change: (name: string, bytes: Buffer) => Buffer | string | null = (_, bytes) => bytes,
): Promise<{ readonly address: string; readonly close: () => Promise<void> }> {
  const server: Server = createServer((request, response) => {
    const path = new URL(request.url ?? '/', 'http://x').pathname
    if (!path.startsWith(subPath)) return response.writeHead(404).end()
    const name = normalize(path.slice(subPath.length) || 'index.html')
    readFile(join(folder, name)).then(
      bytes => {
        const given = change(name, bytes)
        if (given === null) return response.writeHead(404).end()
        return response
          .writeHead(200, { 'content-type': TYPES[extname(name)] ?? 'application/octet-stream' })
          .end(given)
      },
      () => response.writeHead(404).end(),
    )
    return undefined
  })
  await new Promise<void>(resolve => server.listen(0, '127.0.0.1', resolve))
  const { port } = server.address() as AddressInfo
  return {
    address: `http://127.0.0.1:${port}${subPath}`,
    close: () =>
      new Promise(resolve => {
        server.close(() => resolve())
        server.closeAllConnections()
      }),
  }
}
