import type { AddressInfo, Server } from 'node:net'

const LAST_PORT = 65_535

/**
 * Listens on loopback at the wanted port, or the next free one above it; 0 lets the system choose.
 * @returns the port taken
 * @throws Error with the remedy where the wanted port is none, or where none above it is free
 */
export async function listenOnLoopback(server: Server, wanted: number): Promise<number> {
  if (!Number.isInteger(wanted) || wanted < 0 || wanted > LAST_PORT)
    throw new Error(`PORT must be a whole number from 0 to ${LAST_PORT}; leave it out to take the usual one.`)
  for (let port = wanted; port <= LAST_PORT; port++) {
    if (await tryToListen(server, port)) return (server.address() as AddressInfo).port
    if (wanted === 0) break
  }
  throw new Error(`No port from ${wanted} on is free; choose another with PORT.`)
}

/** Trying is the only sure way to know: between a look and a start another program may take the port. */
const tryToListen = (server: Server, port: number): Promise<boolean> =>
  new Promise((resolve, reject) => {
    const onError = (error: NodeJS.ErrnoException) => {
      server.off('listening', onListening)
      if (error.code === 'EADDRINUSE') resolve(false)
      else reject(error)
    }
    const onListening = () => {
      server.off('error', onError)
      resolve(true)
    }
    server.once('error', onError)
    server.once('listening', onListening)
    server.listen(port, '127.0.0.1')
  })
