import type { LotOnShelf, ProductOnShelf } from '@yentrik/contract'
import { materials } from '@yentrik/core'
import { stainShelf } from '@yentrik/core/testing'

/** A lot of type 4 stone that is open, half full and good for years. */
export const lot = (more: Partial<LotOnShelf> = {}): LotOnShelf =>
  ({
    lotId: 'l-1',
    materialId: 'high-strength-stone',
    productId: null,
    number: 'S-77',
    receivedAt: '2026-02-01T08:00:00.000Z',
    expiresOn: '2029-01-31',
    openedOn: '2026-02-10',
    receivedGrams: 25_000,
    leftGrams: 12_500,
    lowBelowGrams: 2000,
    runsLow: false,
    inUse: true,
    quarantine: null,
    enlargement: null,
    openCases: 0,
    ...more,
  }) as LotOnShelf

/** The made-up pots of the core's tests, as calibrated products of a shelf. */
export const stainPots: readonly ProductOnShelf[] = stainShelf.map(({ name, absorption, scattering }, n) => ({
  product: {
    productId: `p-${n}`,
    materialId: 'ceramic-stain',
    name,
    source: 'drawdowns',
    stain: {
      absorption: absorption as unknown as [number, number, number],
      scattering: scattering as unknown as [number, number, number],
      onCeramic: 'disilicate',
      lot: `S-${n}`,
      calibratedOn: '2026-11-01',
      specular: 'excluded',
    },
  },
  card: materials.get('ceramic-stain')!,
  flags: [],
}))
