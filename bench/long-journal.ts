import { makeAct, type Act, type Draft, type Maker } from '../src/records/act.ts'

const DAY = 86_400_000
export const BOXES = 40
const YEARS = 5
const EVERY_DAYS = 4

/** Forty boxes over five years: a stop of the round every four days, heat every eight weeks, lids, colours. */
export function longJournal(nowMs: number): Act[] {
  const startMs = nowMs - YEARS * 365 * DAY
  let count = 0
  let atMs = startMs
  const maker: Maker = {
    nowMs: () => atMs,
    zone: 'UTC',
    newId: () => `long-${String(++count).padStart(7, '0')}`,
  }
  const acts: Act[] = []
  const write = (what: string, drafts: Draft[]) => void acts.push(makeAct(maker, what, drafts))
  write('room', [
    {
      kind: 'room.made',
      payload: { roomId: 'room', name: 'Long room', climate: { kind: 'damp' }, climateKnown: 'told' },
    },
    {
      kind: 'instrument.made',
      payload: {
        instrumentId: 'display',
        name: 'Display',
        accuracyPercentRh: 5,
        floorPercentRh: 10,
        boxId: null,
      },
    },
  ])
  const ids = Array.from({ length: BOXES }, (_, i) => `box${i + 1}`)
  ids.forEach((boxId, i) =>
    write(`${boxId}: set up`, [
      {
        kind: 'box.made',
        payload: {
          boxId,
          name: `Box ${i + 1}`,
          container: 'clip-long',
          widthMm: 398,
          depthMm: 240,
          heightMm: 246,
          sizeKnown: 'told',
          lid: 'clips',
          lidKnown: 'told',
          openingsPerMonth: 4,
          openingsKnown: 'told',
          roomId: 'room',
          board: Math.floor(i / 5),
          leftMm: 40 + (i % 5) * 460,
        },
      },
      {
        kind: 'charge.made',
        payload: {
          chargeId: `${boxId}-beads`,
          name: `Beads ${i + 1}`,
          desiccant: 'silica-a',
          dryMassG: 120 + i,
          massKnown: 'measured',
          holder: 'tray',
          freshness: 'new',
          freshnessKnown: 'told',
          indicator: 'orange',
          boxId,
        },
      },
      {
        kind: 'spool.made',
        payload: {
          spoolId: `${boxId}-spool`,
          name: `PLA ${i + 1}`,
          material: 'PLA',
          colour: 'teal',
          filamentG: 800,
          filamentKnown: 'told',
          emptyG: 215,
          cardboardG: 0,
          rimDiameterMm: 200,
          widthMm: 66,
          wetness: 'sealed bag',
          wetnessKnown: 'told',
          where: { at: 'box', boxId },
        },
      },
    ]),
  )
  for (let day = 2; startMs + day * DAY < nowMs - DAY / 2; day += EVERY_DAYS) {
    atMs = startMs + day * DAY
    const reading = (
      place: { in: 'room'; roomId: string } | { in: 'box'; boxId: string },
      rh: number,
    ): Draft => ({
      kind: 'reading.taken',
      atMs,
      payload: {
        place,
        instrumentId: 'display',
        relativeHumidityPercent: rh,
        temperatureC: 12 + 6 * Math.sin(day / 58),
        temperatureKnown: 'measured',
      },
    })
    write('room read', [reading({ in: 'room', roomId: 'room' }, 68 + Math.round(8 * Math.sin(day / 23)))])
    ids.forEach((boxId, i) => {
      const sinceHeat = (day + i * 3) % 56
      const drafts: Draft[] = [reading({ in: 'box', boxId }, 12 + Math.round(sinceHeat / 7))]
      if (day % 20 === 2)
        drafts.unshift({ kind: 'box.opened', atMs: atMs - 60_000, payload: { boxId, openSeconds: 30 } })
      if (day % 40 === 2)
        drafts.unshift({
          kind: 'charge.looked',
          atMs,
          payload: { chargeId: `${boxId}-beads`, colour: 'orange' },
        })
      if (sinceHeat < EVERY_DAYS)
        drafts.push({
          kind: 'charge.heated',
          atMs: atMs + 3_600_000,
          payload: {
            chargeId: `${boxId}-beads`,
            temperatureC: 110,
            hours: 2,
            oven: 'electric',
            roomId: null,
          },
        })
      write(`${boxId}: read on the round`, drafts)
      atMs += 20_000
    })
  }
  return acts
}
