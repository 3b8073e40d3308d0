import type { LotOnShelf } from '@yentrik/contract'

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
