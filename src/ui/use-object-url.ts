import { useEffect, useMemo } from 'react'

/** An address a page can show bytes by, given back to the browser when they are no longer shown; null without any. */
export function useObjectUrl(bytes: Uint8Array | null | undefined, type: string): string | null {
  const url = useMemo(
    () => (bytes ? URL.createObjectURL(new Blob([bytes as BlobPart], { type })) : null),
    [bytes, type],
  )
  useEffect(() => () => void (url !== null && URL.revokeObjectURL(url)), [url])
  return url
}
