export function coreHash(): Promise<string>
