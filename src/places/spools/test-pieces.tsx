import { FileButton, TextInput } from '@mantine/core'
import { useQuery } from '@tanstack/react-query'
import { useState } from 'react'
import type { SpoolRecord, TestPiece } from '#journal/state.ts'
import { MOST_PHOTOS_A_PIECE, type Photo } from '#records/kinds/spool-test.ts'
import { PIECE_LIST } from '#records/picklists.ts'
import { useJournalTools } from '#session/journal-context.tsx'
import { useJournal } from '#session/journal-query.ts'
import { photoQuery } from '#session/photos.ts'
import { useWriteAct } from '#session/writing.ts'
import { ChoiceRow } from '#ui/choice-row.tsx'
import { dayText } from '#ui/dates.ts'
import { photoFromFile, type TakenPhoto } from '#ui/photo-from-file.ts'
import { useObjectUrl } from '#ui/use-object-url.ts'
import { Refused } from '#ui/refused.tsx'
import hand from '#ui/hand.module.css'
import css from './signs.module.css'

type Looks = (typeof PIECE_LIST)[number]
const MOST_SETTINGS = 200

/** The same piece before and after drying: how it came out, with which settings, and photos of it. */
export function TestPieces({ spool }: { readonly spool: SpoolRecord }) {
  const pieces = [...spool.pieces].reverse()
  const [isAdding, setAdding] = useState(false)
  return (
    <section className={css.pieces} aria-label="Test pieces">
      <h2 className={hand.section}>The same piece, before and after drying</h2>
      <p className={hand.aside}>
        A post and a wall of one line, always from the same file with the same settings: what changes then is
        the water.
      </p>
      {isAdding ? (
        <AddPiece spool={spool} last={spool.pieces.at(-1)} close={() => setAdding(false)} />
      ) : (
        <button type="button" className={hand.worded} onClick={() => setAdding(true)}>
          Add a test piece
        </button>
      )}
      {pieces.length > 0 && (
        <ol className={css.pieceList}>
          {pieces.map(piece => (
            <Piece key={piece.id} piece={piece} spool={spool} />
          ))}
        </ol>
      )}
    </section>
  )
}

function Piece({ piece, spool }: { readonly piece: TestPiece; readonly spool: SpoolRecord }) {
  const { nowMs } = useJournal()
  const { maker } = useJournalTools()
  const dried = spool.dryings.filter(one => one.atMs <= piece.atMs).at(-1)
  return (
    <li data-part="spool-facts">
      <p>
        <strong className={piece.looks === 'bad' ? hand.trouble : undefined}>{piece.looks}</strong>,{' '}
        {dayText(piece.atMs, nowMs, maker.zone)}
        {dried ? `, after it was dried ${dayText(dried.atMs, nowMs, maker.zone)}` : ', before any drying'}
        {piece.settings === '' ? '' : `; ${piece.settings}`}
      </p>
      <div className={css.photos}>
        {piece.photos.map((photo, i) => (
          <PhotoShown
            key={photo.photoId}
            photo={photo}
            alt={`Test piece ${i + 1}, ${piece.looks}, ${dayText(piece.atMs, nowMs, maker.zone)}`}
          />
        ))}
      </div>
    </li>
  )
}

function PhotoShown({ photo, alt }: { readonly photo: Photo; readonly alt: string }) {
  const tools = useJournalTools()
  const { data, isLoading } = useQuery(photoQuery(tools, photo.photoId))
  const url = useObjectUrl(data, 'image/jpeg')
  if (url)
    return (
      <a href={url} target="_blank" rel="noreferrer" title="As large as it is kept">
        <img src={url} alt={alt} width={photo.widthPx} height={photo.heightPx} />
      </a>
    )
  return (
    <p className={hand.aside}>
      {isLoading || data
        ? 'Opening …'
        : 'This photo is not on this device: a backup from where it was taken brings it.'}
    </p>
  )
}

function TakenImage({ photo, alt }: { readonly photo: TakenPhoto; readonly alt: string }) {
  const url = useObjectUrl(photo.bytes, 'image/jpeg')
  return url === null ? null : <img src={url} alt={alt} width={photo.widthPx} height={photo.heightPx} />
}

function AddPiece({
  spool,
  last,
  close,
}: {
  readonly spool: SpoolRecord
  readonly last: TestPiece | undefined
  readonly close: () => void
}) {
  const { photos: store } = useJournalTools()
  const write = useWriteAct()
  const [looks, setLooks] = useState<Looks>('slight signs')
  const [settings, setSettings] = useState(last?.settings ?? '')
  const [taken, setTaken] = useState<readonly TakenPhoto[]>([])
  const [error, setError] = useState<string | null>(null)
  const [refused, setRefused] = useState<unknown>(null)
  const [isBusy, setBusy] = useState(false)
  const bring = async (files: readonly File[]) => {
    setBusy(true)
    setError(null)
    const found: TakenPhoto[] = []
    for (const file of files) {
      if (taken.length + found.length >= MOST_PHOTOS_A_PIECE) {
        setError(`${MOST_PHOTOS_A_PIECE} photos of a piece at most: the rest were left.`)
        break
      }
      const read = await photoFromFile(file)
      if (!read.ok) setError(read.message)
      else found.push(read.photo)
    }
    setTaken([...taken, ...found])
    setBusy(false)
  }
  const keep = async () => {
    if (settings.trim().length > MOST_SETTINGS)
      return setError(`Settings: ${MOST_SETTINGS} letters at most; what differs from usual is enough.`)
    setBusy(true)
    setRefused(null)
    try {
      const photos: Photo[] = []
      for (const { bytes, widthPx, heightPx } of taken)
        photos.push({ photoId: await store.put(bytes), widthPx, heightPx })
      await write.mutateAsync({
        what: `${spool.name}: test piece`,
        drafts: [
          {
            kind: 'spool.piece',
            payload: { spoolId: spool.spoolId, looks, settings: settings.trim(), photos },
          },
        ],
      })
      close()
    } catch (reason) {
      setRefused(reason)
    } finally {
      setBusy(false)
    }
  }
  return (
    <form
      className={css.addPiece}
      noValidate
      onSubmit={event => {
        event.preventDefault()
        void keep()
      }}
    >
      <ChoiceRow
        legend="It came out"
        options={PIECE_LIST.map(one => [one, one] as const)}
        chosen={looks}
        choose={setLooks}
      />
      <TextInput
        label="With which settings"
        placeholder="nozzle, layer, speed"
        autoComplete="off"
        value={settings}
        onChange={event => setSettings(event.currentTarget.value)}
      />
      <div className={css.photos}>
        {taken.map((photo, i) => (
          <figure key={i}>
            <TakenImage photo={photo} alt={`Photo ${i + 1}, not kept yet`} />
            <button
              type="button"
              className={hand.worded}
              onClick={() => setTaken(taken.filter(one => one !== photo))}
            >
              Leave it out
            </button>
          </figure>
        ))}
      </div>
      {error !== null && (
        <p className={hand.notice} role="alert">
          {error}
        </p>
      )}
      {refused !== null && <Refused error={refused} remedy="press Keep it again" />}
      <div className={css.pieceActs}>
        <FileButton accept="image/jpeg,image/png,image/webp" multiple onChange={files => void bring(files)}>
          {props => (
            <button type="button" className={hand.worded} disabled={isBusy} {...props}>
              {taken.length === 0 ? 'With a photo' : 'Another photo'}
            </button>
          )}
        </FileButton>
        <button type="button" className={hand.worded} onClick={close}>
          Leave it
        </button>
        <button type="submit" className={hand.filled} disabled={isBusy}>
          Keep it
        </button>
      </div>
    </form>
  )
}
