/** As many as one backup carries. */
export const MOST_PHOTOS = 250
/** Of one photo, made smaller where it is taken in. */
export const MOST_PHOTO_BYTES = 200_000

/** Begins as a JPEG does, and is no larger than one that was taken in. */
export const isPhoto = (bytes: Uint8Array): boolean =>
  bytes.length <= MOST_PHOTO_BYTES && bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff
