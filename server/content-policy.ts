/** What a page of Veld may load: itself, photos it made, the solver's compiled code. Nothing from anywhere else. */
export const CONTENT_POLICY = {
  defaultSrc: ["'self'"],
  // the solver of the plan is compiled code
  scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
  workerSrc: ["'self'"],
  // Mantine and ECharts set inline styles
  styleSrc: ["'self'", "'unsafe-inline'"],
  imgSrc: ["'self'", 'blob:'],
  fontSrc: ["'self'"],
  connectSrc: ["'self'"],
  objectSrc: ["'none'"],
  baseUri: ["'self'"],
  formAction: ["'self'"],
}

/** The same as a page says it of itself, for servers that send no headers. W3C CSP3 §3.3 (from memory): a page can't say who may frame it. */
export const contentPolicyText = (): string =>
  Object.entries(CONTENT_POLICY)
    .map(
      ([name, from]) =>
        `${name.replaceAll(/[A-Z]/g, letter => `-${letter.toLowerCase()}`)} ${from.join(' ')}`,
    )
    .join('; ')
