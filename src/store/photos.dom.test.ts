import { expect, test } from '@jest/globals'
import localforage from 'localforage'
import { MOST_PHOTO_BYTES, MOST_PHOTOS } from '#records/photo.ts'
import { openPhotos, photoIdOf, TooManyPhotos } from './photos.ts'

const photo = (n: number) => Uint8Array.from([0xff, 0xd8, 0xff, n & 255, n >> 8, 9])

test('a photo is kept once, under what its bytes come to, and is as it was', async () => {
  const photos = openPhotos('own')
  const photoId = await photos.put(photo(1))
  expect(photoId).toBe(photoIdOf(photo(1)))
  expect(await photos.put(photo(1))).toBe(photoId)
  expect(await photos.ids()).toEqual([photoId])
  expect(await photos.get(photoId)).toEqual(photo(1))
  expect(await photos.get('0'.repeat(64))).toBeNull()
  // the demonstration's lie apart
  expect(await openPhotos('demo').ids()).toEqual([])
})

test('what was changed in the store, or is no photo, is not shown', async () => {
  const photos = openPhotos('own')
  const photoId = await photos.put(photo(2))
  const forage = localforage.createInstance({ name: 'veld', storeName: 'photos_own' })
  for (const bytes of [photo(3), new Uint8Array(), new Uint8Array(MOST_PHOTO_BYTES + 1), 'text']) {
    await forage.setItem(photoId, bytes)
    expect(await photos.get(photoId)).toBeNull()
  }
})

test('three hundred: as many as a backup carries, the rest refused, those kept are there', async () => {
  const photos = openPhotos('demo')
  for (let n = 0; n < MOST_PHOTOS; n++) await photos.put(photo(n))
  await expect(photos.put(photo(300))).rejects.toThrow(TooManyPhotos)
  // one that is there already is no more
  expect(await photos.put(photo(7))).toBe(photoIdOf(photo(7)))
  expect(await photos.ids()).toHaveLength(MOST_PHOTOS)
  expect(await photos.get(photoIdOf(photo(0)))).toEqual(photo(0))
}, 60_000)
