/** What a record has of its own under a key from outside: `constructor` and its like are no one's. */
export const ownValue = <T>(record: Readonly<Record<string, T>>, key: string): T | undefined =>
  Object.hasOwn(record, key) ? record[key] : undefined
