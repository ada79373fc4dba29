export function coreHash(run?: readonly string[], folder?: string): Promise<string>
