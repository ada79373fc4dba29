import css from './kit-dialogs.module.css'

/** How a word of the sentence looks: told in ink, assumed in pencil, asked about heavier. */
export const knownClass = (known: 'told' | 'assumed' | 'asked'): string | undefined =>
  ({ told: css.told, assumed: css.assumed, asked: css.asked })[known]
