import { afterAll, beforeAll, expect, test } from '@jest/globals'
import { createHash } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import JSZip from 'jszip'
import type { ElementHandle, Page } from 'puppeteer-core'
import { openStage, problemsOf, settled, type Stage } from './harness.ts'

let stage: Stage
const folder = mkdtempSync(join(tmpdir(), 'veld-photos-'))
beforeAll(async () => void (stage = await openStage()), 60_000)
afterAll(async () => {
  rmSync(folder, { recursive: true })
  await stage.close()
})

const button = (words: string) => `::-p-xpath(//button[normalize-space(.)="${words}"])`
/** A photo as a camera makes it, so many pixels wide and high, drawn in the page; as a file. */
async function photoFile(page: Page, name: string, width: number, height: number): Promise<string> {
  const base64 = await page.evaluate(
    async (w, h) => {
      const canvas = new OffscreenCanvas(w, h)
      const context = canvas.getContext('2d')!
      context.fillStyle = '#c9b48a'
      context.fillRect(0, 0, w, h)
      context.fillStyle = '#385a66'
      context.fillRect(w * 0.4, h * 0.1, w * 0.1, h * 0.8)
      const bytes = new Uint8Array(
        await (await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.9 })).arrayBuffer(),
      )
      let text = ''
      for (let i = 0; i < bytes.length; i += 8192) text += String.fromCharCode(...bytes.slice(i, i + 8192))
      return btoa(text)
    },
    width,
    height,
  )
  const path = join(folder, name)
  writeFileSync(path, Buffer.from(base64, 'base64'))
  return path
}
async function bring(page: Page, ...paths: string[]): Promise<void> {
  const input = (await page.waitForSelector(
    '[data-place="signs"] input[type="file"]',
  )) as ElementHandle<HTMLInputElement>
  await input.uploadFile(...paths)
}
const notice = (page: Page, pattern: RegExp) =>
  page.waitForFunction(
    source => new RegExp(source).test(document.querySelector('[role="alert"]')?.textContent ?? ''),
    { timeout: 30_000 },
    pattern.source,
  )

test('a photo of forty megapixels, a broken one, a drawing with a script; kept small, and back from a backup byte for byte', async () => {
  const page = await stage.open('/demo/spools/spare-spool-2/signs', { fresh: true })
  await settled(page)
  await page.locator(button('Add a test piece')).click()
  const large = await photoFile(page, 'large.jpg', 7300, 5500)
  await bring(page, large)
  await page.waitForSelector('figure img', { timeout: 60_000 })
  const size = await page.$eval('figure img', item => [item.naturalWidth, item.naturalHeight])
  expect(size).toEqual([1280, 964])

  const broken = join(folder, 'broken.jpg')
  writeFileSync(broken, readFileSync(large).subarray(0, 300))
  await bring(page, broken)
  await notice(page, /broken\.jpg: it does not read: it is cut short or broken/)
  const drawing = join(folder, 'drawing.jpg')
  writeFileSync(
    drawing,
    '<svg xmlns="http://www.w3.org/2000/svg" onload="document.title=1"><script>1</script></svg>',
  )
  await bring(page, drawing)
  await notice(page, /drawing\.jpg: it is no photo; bring a JPEG, PNG or WebP/)
  // what was brought before is still there
  expect(await page.$$eval('figure img', all => all.length)).toBe(1)
  await page.locator(button('Keep it')).click()
  await page.waitForSelector('ol img', { timeout: 30_000 })

  // from the store as it is, without what the camera's file said besides
  const kept = await page.evaluate(
    () =>
      new Promise<{ id: string; bytes: number[] }[]>(done => {
        const asked = indexedDB.open('veld')
        asked.onsuccess = () => {
          const store = asked.result.transaction('photos_demo').objectStore('photos_demo')
          const keys = store.getAllKeys()
          const values = store.getAll()
          values.onsuccess = () =>
            done(
              keys.result.map((id, i) => ({
                id: id as string,
                bytes: [...(values.result[i] as Uint8Array)],
              })),
            )
        }
      }),
  )
  expect(kept).toHaveLength(1)
  const bytes = Buffer.from(kept[0]!.bytes)
  expect(bytes.length).toBeLessThanOrEqual(200_000)
  expect(createHash('sha256').update(bytes).digest('hex')).toBe(kept[0]!.id)
  expect(bytes.includes('Exif')).toBe(false)

  // the file that is handed to the downloads, as it is
  await page.evaluate(() => {
    // caught where it gets its address: a page may fetch nothing but its own server's
    const addressOf = URL.createObjectURL.bind(URL)
    URL.createObjectURL = given => {
      void (given as Blob)
        .arrayBuffer()
        .then(bytes => Object.assign(window, { handed: [...new Uint8Array(bytes)] }))
      return addressOf(given)
    }
    HTMLAnchorElement.prototype.click = () => {}
    window.location.hash = '#/demo/files'
  })
  await page.locator(button('Save a file')).click()
  const handed = await page.waitForFunction(() => (window as unknown as { handed?: number[] }).handed, {
    timeout: 30_000,
  })
  const inside = await JSZip.loadAsync(Buffer.from((await handed.jsonValue())!), { checkCRC32: true })
  const saved = await inside.file(`photos/${kept[0]!.id}.jpg`)!.async('nodebuffer')
  expect(saved.equals(bytes)).toBe(true)
  expect(problemsOf(page)).toEqual([])
  await page.close()
}, 180_000)
