export function coreHash(): string
