import { spawn } from 'node:child_process'
import { root } from './set-up.mjs'

const PROCESSES = 2

/**
 * A long measurement in as many processes as there are cores: each says its share, a line of JSON for each result.
 * @param script called with which share, of how many, and `more`
 * @param processes one, where other measurements run beside it: each process begins with code that is not compiled yet
 */
export async function inShares<T>(
  script: string,
  more: readonly string[] = [],
  processes = PROCESSES,
): Promise<T[]> {
  const share = (index: number) =>
    new Promise<T[]>((resolve, reject) => {
      const child = spawn(
        process.execPath,
        ['--import', 'tsx', script, String(index), String(processes), ...more],
        { cwd: root, stdio: ['ignore', 'pipe', 'inherit'] },
      )
      let said = ''
      child.stdout.on('data', (chunk: Buffer) => (said += chunk.toString()))
      child.once('close', code =>
        code === 0
          ? resolve(
              said
                .split('\n')
                .filter(Boolean)
                .map(line => JSON.parse(line) as T),
            )
          : reject(new Error(`A share of ${script} ended with ${code}.`)),
      )
    })
  return (await Promise.all(Array.from({ length: processes }, (_, i) => share(i)))).flat()
}
