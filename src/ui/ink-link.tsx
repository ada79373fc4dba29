import type { ReactNode } from 'react'
import { useHref, useLinkClickHandler } from 'react-router'
import { useJournalTools } from '#session/journal-context.tsx'
import css from './figure.module.css'

/** A link inside a drawing, within this journal. */
export function InkLink({
  to,
  label,
  children,
}: {
  readonly to: string
  readonly label: string
  readonly children: ReactNode
}) {
  const { base } = useJournalTools()
  const address = `${base}${to}`
  const href = useHref(address)
  const onClick = useLinkClickHandler<SVGAElement>(address)
  return (
    <a
      href={href}
      aria-label={label}
      className={css.inkLink}
      onClick={event => onClick(event as unknown as React.MouseEvent<SVGAElement>)}
    >
      {children}
    </a>
  )
}
