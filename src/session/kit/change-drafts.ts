import { sizeKnown } from '#core/filament/spool-class.ts'
import type { Wanted } from '#formats/quick/wanted.ts'
import type { Draft } from '#records/act.ts'
import type { ThingRef } from './as-wanted.ts'

/** When a lid is another one: since a day, or it was never what was told. */
export type LidSince = { readonly atMs: number } | 'always'

/** What was put right about a thing, as entries that name only what changed; empty where nothing did. */
export function changeDrafts(
  ref: ThingRef,
  before: Wanted,
  after: Wanted,
  atMs: number,
  lidSince: LidSince = 'always',
): Draft[] {
  const changed = (key: string): boolean => valueIn(before, key) !== valueIn(after, key)
  const { id } = ref
  switch (after.kind) {
    case 'spool': {
      const payload: Record<string, unknown> = {}
      for (const key of ['name', 'material', 'colour', 'emptyG', 'strandMm', 'boreMm', 'maker', 'preset'])
        if (changed(key)) payload[key] = valueIn(after, key)
      if (changed('filamentG'))
        Object.assign(payload, {
          filamentG: after.filamentG,
          filamentKnown: after.grossG === null ? 'told' : 'measured',
        })
      if (changed('rimDiameterMm') || changed('widthMm'))
        Object.assign(payload, {
          rimDiameterMm: after.rimDiameterMm,
          widthMm: after.widthMm,
          sizeKnown: sizeKnown(after.rimDiameterMm, after.widthMm),
        })
      if (changed('body') || (changed('emptyG') && after.body === 'board'))
        Object.assign(payload, { body: after.body, cardboardG: after.body === 'board' ? after.emptyG : 0 })
      if (changed('wetness')) Object.assign(payload, { wetness: after.wetness, wetnessKnown: 'told' })
      return one('spool.changed', { spoolId: id }, payload, atMs)
    }
    case 'charge': {
      const payload: Record<string, unknown> = {}
      for (const key of [
        'name',
        'desiccant',
        'holder',
        'indicator',
        'tareG',
        'fillLineG',
        'body',
        'saysC',
        'saysHours',
      ])
        if (changed(key)) payload[key] = valueIn(after, key)
      if (changed('pieces') || changed('gramsEach'))
        Object.assign(payload, {
          pieces: after.pieces,
          dryMassG: after.pieces * after.gramsEach,
          massKnown: 'told',
        })
      if (changed('freshness')) Object.assign(payload, { freshness: after.freshness, freshnessKnown: 'told' })
      return one('charge.changed', { chargeId: id }, payload, atMs)
    }
    case 'box': {
      const payload: Record<string, unknown> = {}
      for (const key of ['name', 'container', 'wall', 'wallThicknessMm'])
        if (changed(key)) payload[key] = valueIn(after, key)
      const sizes = ['widthMm', 'depthMm', 'heightMm'] as const
      if (sizes.some(changed)) {
        for (const key of sizes) payload[key] = after[key]
        payload['sizeKnown'] = 'measured'
      }
      if (changed('openingsPerMonth'))
        Object.assign(payload, { openingsPerMonth: after.openingsPerMonth, openingsKnown: 'told' })
      const lid = changed('lid') ? { lid: after.lid, lidKnown: 'told' as const } : null
      if (lid && lidSince === 'always') Object.assign(payload, lid)
      return [
        ...one('box.changed', { boxId: id }, payload, atMs),
        ...(lid && lidSince !== 'always'
          ? [{ kind: 'box.sealed' as const, atMs: lidSince.atMs, payload: { boxId: id, ...lid } }]
          : []),
      ]
    }
    case 'display': {
      const payload: Record<string, unknown> = {}
      for (const key of ['name', 'accuracyPercentRh', 'floorPercentRh'])
        if (changed(key)) payload[key] = valueIn(after, key)
      return [
        ...one('instrument.changed', { instrumentId: id }, payload, atMs),
        ...(changed('place')
          ? [
              {
                kind: 'instrument.moved' as const,
                atMs,
                payload: {
                  instrumentId: id,
                  boxId: after.place.startsWith('box:') ? after.place.slice(4) : null,
                },
              },
            ]
          : []),
      ]
    }
    case 'room': {
      const payload: Record<string, unknown> = {}
      if (changed('name')) payload['name'] = after.name
      if (changed('climate'))
        Object.assign(payload, { climate: { kind: after.climate }, climateKnown: 'told' })
      return one('room.changed', { roomId: id }, payload, atMs)
    }
    case 'heat source': {
      const payload: Record<string, unknown> = {}
      for (const key of HEAT_KEYS) if (changed(key)) payload[key] = valueIn(after, key)
      if (changed('source')) payload['kind'] = after.source
      if (changed('food')) payload['food'] = after.food === null ? null : after.food === 'yes'
      return one('heatSource.changed', { heatSourceId: id }, payload, atMs)
    }
    case 'scale': {
      const payload: Record<string, unknown> = {}
      for (const key of ['name', 'stepG']) if (changed(key)) payload[key] = valueIn(after, key)
      return one('scale.changed', { scaleId: id }, payload, atMs)
    }
  }
}

const HEAT_KEYS = [
  'name',
  'lowestC',
  'highestC',
  'swingC',
  'watts',
  'trays',
  'trayAreaCm2',
  'trayDepthMm',
  'pricePerKwh',
] as const
const valueIn = (wanted: Wanted, key: string): unknown =>
  (wanted as unknown as Readonly<Record<string, unknown>>)[key]

const one = (kind: Draft['kind'], id: object, payload: object, atMs: number): Draft[] =>
  Object.keys(payload).length === 0
    ? []
    : [{ kind, atMs, payload: { ...id, ...payload } } as unknown as Draft]
