import { useState } from 'react'
import { canShare, download, share } from './hand-over.ts'
import css from './hand-over-button.module.css'
import hand from './hand.module.css'

/** Makes a file when it is asked for, and gives it to the downloads or the share sheet. */
export function HandOver({
  label,
  make,
  onDone,
  filled = false,
}: {
  readonly label: string
  readonly make: () => Promise<File>
  readonly onDone?: () => void
  readonly filled?: boolean
}) {
  const [busy, setBusy] = useState(false)
  const [said, setSaid] = useState<string | null>(null)
  const [probe] = useState(() => canShare(new File(['x'], 'veld.zip', { type: 'application/zip' })))
  const handOver = async (way: 'download' | 'share') => {
    setBusy(true)
    setSaid(null)
    try {
      const file = await make()
      if (way === 'share') {
        if (!(await share(file))) return
      } else download(file)
      setSaid(`${file.name}, ${inSize(file.size)}`)
      onDone?.()
    } catch (error) {
      setSaid(
        `It could not be made (${error instanceof Error ? error.message : String(error)}). Nothing is lost.`,
      )
    } finally {
      setBusy(false)
    }
  }
  return (
    <span className={css.handOver}>
      <button
        type="button"
        className={filled ? hand.filled : hand.worded}
        disabled={busy}
        onClick={() => void handOver('download')}
      >
        {label}
      </button>
      {probe && (
        <button type="button" className={hand.worded} disabled={busy} onClick={() => void handOver('share')}>
          Share …
        </button>
      )}
      <span className={hand.aside} role="status">
        {said}
      </span>
    </span>
  )
}

const KB = 1024
const inSize = (bytes: number): string =>
  bytes < KB * KB ? `${Math.max(1, Math.round(bytes / KB))} kB` : `${(bytes / KB / KB).toFixed(1)} MB`
