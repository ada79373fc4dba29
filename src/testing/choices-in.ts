import { ENTRY_KINDS, newestVersion, type EntryKind } from '#records/entry.ts'

/** Every list of choices in a schema, by the path to it. */
function choicesIn(schema: unknown, path = ''): Record<string, readonly string[]> {
  if (typeof schema !== 'object' || schema === null) return {}
  const { type, entries, options, wrapped, item, pipe, literal } = schema as Record<string, unknown>
  if (type === 'picklist') return { [path]: options as string[] }
  if (type === 'literal') return { [path]: [String(literal)] }
  const parts: [string, unknown][] = []
  if (typeof entries === 'object' && entries !== null)
    parts.push(...Object.entries(entries).map(([key, part]): [string, unknown] => [`${path}/${key}`, part]))
  if (Array.isArray(options))
    parts.push(...options.map((part, i): [string, unknown] => [`${path}|${i}`, part]))
  if (Array.isArray(pipe) && pipe[0] !== schema) parts.push([path, pipe[0]])
  for (const part of [wrapped, item]) if (part !== undefined) parts.push([path, part])
  return Object.assign({}, ...parts.map(([at, part]) => choicesIn(part, at))) as Record<
    string,
    readonly string[]
  >
}

/** The version of every kind of entry, and what its fields may say. */
export const choicesOfAllKinds = () =>
  Object.fromEntries(
    (Object.keys(ENTRY_KINDS) as EntryKind[]).map(kind => [
      kind,
      { version: newestVersion(kind), choices: choicesIn(ENTRY_KINDS[kind]) },
    ]),
  )
