import hand from './hand.module.css'

/** A name that every computer has for itself. */
export const isLoopback = (hostname: string): boolean =>
  /^(?:localhost|127(?:\.\d+){3}|\[::1\])$/.test(hostname)

/** An address that no other device opens: this computer's own, or a file of it. */
export const isOnlyHere = (address: string): boolean => {
  const { protocol, hostname } = new URL(address)
  return protocol === 'file:' || isLoopback(hostname)
}

/** Beside a code that would be printed in vain. */
export const OnlyHere = ({ address = window.location.href }: { readonly address?: string }) =>
  isOnlyHere(address) ? (
    <p className={hand.aside} data-part="only-here">
      The codes hold this computer’s own address, which no phone opens: open Veld by the computer’s name in
      your network, and print from there.
    </p>
  ) : null
