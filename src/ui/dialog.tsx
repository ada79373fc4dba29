import { Modal, type ModalProps } from '@mantine/core'
import { useEffect, useState } from 'react'

const FIELDS = 'input:not([type="hidden"]), select, textarea, button'

/**
 * The house's dialog: begins at its first field, never at Close, and gives the focus back to whatever opened it. It is
 * there as long as it is open.
 */
export function Dialog({ children, ...props }: Omit<ModalProps, 'opened'>) {
  const [opener] = useState(() => document.activeElement)
  useEffect(
    () => () => {
      // after the trap has let go
      requestAnimationFrame(() => {
        if (opener?.isConnected) (opener as HTMLElement | SVGElement).focus({ preventScroll: true })
      })
    },
    [opener],
  )
  return (
    <Modal opened returnFocus={false} centered closeButtonProps={{ 'aria-label': 'Close' }} {...props}>
      <div ref={beginAtFirstField}>{children}</div>
    </Modal>
  )
}

/** Once what is inside stands on the page: the trap begins at what is marked. */
function beginAtFirstField(inside: HTMLDivElement | null): void {
  if (inside && !inside.querySelector('[data-autofocus]'))
    inside.querySelector(FIELDS)?.setAttribute('data-autofocus', 'true')
}
