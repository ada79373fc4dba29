export function coreHash(run?: readonly string[]): Promise<string>
