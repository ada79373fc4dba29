/** Whether this device has a share sheet that takes such a file. */
export const canShare = (file: File): boolean =>
  typeof navigator.canShare === 'function' && navigator.canShare({ files: [file] })

/** Gives a file to the device's share sheet. False where the person thought better of it. */
export async function share(file: File): Promise<boolean> {
  try {
    await navigator.share({ files: [file], title: file.name })
    return true
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') return false
    throw error
  }
}

const LONG_ENOUGH_MS = 60_000

/** Gives a file to the browser's downloads. */
export function download(file: File): void {
  const address = URL.createObjectURL(file)
  const link = document.createElement('a')
  link.href = address
  link.download = file.name
  link.click()
  // the browser reads it after the click
  setTimeout(() => URL.revokeObjectURL(address), LONG_ENOUGH_MS)
}

/** A name as part of a file's: letters and figures of any script, the rest a dash. */
export const fileWord = (name: string): string => name.replaceAll(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()
