/** The end of every small form: what to do when the browser refuses the write, and the one filled button. */
export function FormFoot({
  write,
}: {
  readonly write: { readonly isPending: boolean; readonly error: Error | null }
}) {
  return (
    <>
      {write.error && (
        <p className="notice" role="alert">
          The browser refused to keep it ({write.error.message}). Nothing is lost: it stays here. Free some
          space and press Keep again.
        </p>
      )}
      <button type="submit" className="filled" disabled={write.isPending}>
        Keep it
      </button>
    </>
  )
}
