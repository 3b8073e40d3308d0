import { useFetched } from '../live/live-store.ts'

export interface Lot {
  readonly lotId: string
  readonly materialId: string
  readonly number: string
  readonly receivedAt: string
  readonly expiresOn: string | null
  readonly inUse: boolean
}

/** The shelf: lots in use of a material, the newest first, and the printed number of any lot. */
export function useLots() {
  const { data = [] } = useFetched<readonly Lot[]>('/lots')
  return {
    inUse: (materialId: string) => data.filter((lot) => lot.materialId === materialId && lot.inUse),
    lotNumber: (lotId: string) => data.find((lot) => lot.lotId === lotId)?.number ?? lotId,
  }
}
