export const root: string
export const CHROMIUM: string
