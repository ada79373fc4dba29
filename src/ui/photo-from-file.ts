import { MOST_PHOTO_BYTES } from '#records/photo.ts'

export interface TakenPhoto {
  readonly bytes: Uint8Array
  readonly widthPx: number
  readonly heightPx: number
}
export type PhotoRead =
  | { readonly ok: true; readonly photo: TakenPhoto }
  | { readonly ok: false; readonly message: string }

const MOST_FILE_BYTES = 80_000_000
/** Longest edge, and how hard it is pressed, until it is small enough. */
const TRIES = [
  [1280, 0.82],
  [1280, 0.65],
  [1024, 0.65],
  [800, 0.6],
  [560, 0.5],
] as const

/**
 * A photo made small, as a JPEG of its own: what else was in the file (where it was taken, a thumbnail) is not taken over.
 * By its first bytes, not by its name: a drawing or a page that calls itself a photo is refused before anything reads it.
 */
export async function photoFromFile(file: File): Promise<PhotoRead> {
  const no = (message: string): PhotoRead => ({ ok: false, message: `${file.name}: ${message}` })
  if (file.size > MOST_FILE_BYTES) return no('it is larger than any photo; take it smaller.')
  const kind = kindOf(new Uint8Array(await file.slice(0, 12).arrayBuffer()))
  if (kind === 'heic') return no('phones alone read this kind; set the camera to JPEG, or send it as one.')
  if (kind === null) return no('it is no photo; bring a JPEG, PNG or WebP.')
  let bitmap: ImageBitmap
  try {
    bitmap = await createImageBitmap(new Blob([file], { type: kind }))
  } catch {
    return no('it does not read: it is cut short or broken. Take it again, or copy it anew.')
  }
  try {
    for (const [edge, quality] of TRIES) {
      const scale = Math.min(1, edge / Math.max(bitmap.width, bitmap.height))
      const [widthPx, heightPx] = [bitmap.width, bitmap.height].map(px => Math.max(1, Math.round(px * scale)))
      const canvas = document.createElement('canvas')
      Object.assign(canvas, { width: widthPx, height: heightPx })
      const context = canvas.getContext('2d')
      if (!context) return no('this browser cannot make it smaller.')
      // what is clear in a PNG is paper
      context.fillStyle = '#fff'
      context.fillRect(0, 0, widthPx!, heightPx!)
      context.drawImage(bitmap, 0, 0, widthPx!, heightPx!)
      const blob = await new Promise<Blob | null>(done => canvas.toBlob(done, 'image/jpeg', quality))
      if (blob && blob.size <= MOST_PHOTO_BYTES)
        return {
          ok: true,
          photo: {
            bytes: new Uint8Array(await blob.arrayBuffer()),
            widthPx: widthPx!,
            heightPx: heightPx!,
          },
        }
    }
  } finally {
    bitmap.close()
  }
  return no('it does not get small enough; cut it to the piece.')
}

function kindOf(head: Uint8Array): 'image/jpeg' | 'image/png' | 'image/webp' | 'heic' | null {
  const text = String.fromCharCode(...head)
  if (head[0] === 0xff && head[1] === 0xd8 && head[2] === 0xff) return 'image/jpeg'
  if (text.startsWith('\u0089PNG\r\n')) return 'image/png'
  if (text.startsWith('RIFF') && text.slice(8) === 'WEBP') return 'image/webp'
  return text.slice(4, 8) === 'ftyp' ? 'heic' : null
}
