import {
  type Amount,
  type MaterialCard,
  type MixFigure,
  materials,
  type RecordedMix,
  ripensByRoom,
} from '@yentrik/core'
import { useRoomCelsius } from '../record/room-celsius.ts'
import { useShelf } from '../record/shelf.ts'
import { useRunningMixes } from './MixClocks.tsx'
import { mixConditions } from './mix-conditions.ts'

/** What was typed or taken of a mix, and why it is used outside its range. */
type Used = Partial<Record<MixFigure, number>> & { readonly ratioReason?: string }

/** How what a step uses comes on record: with its lot and product, the room and the clock that runs of it. */
export function useUsedMix(amount: Amount, caseId: string) {
  const shelf = useShelf()
  const lots = shelf.usable(amount.materialId)
  // A blend that is no product of its own is weighed out of the packs of its parts.
  const parts = materials.get(amount.materialId)?.blend
  const packs =
    lots.length === 0 && parts
      ? parts.map(({ materialId }) => ({
          name: materials.get(materialId)?.name ?? materialId,
          lots: shelf.usable(materialId),
        }))
      : [{ name: '', lots }]
  const clock = useRunningMixes().find(
    (each) => each.caseId === caseId && each.materialId === amount.materialId,
  )
  const { roomCelsius, field: room } = useRoomCelsius()
  const byRoom = ripensByRoom(amount.materialId)
  const productOf = (lotId: string) => lots.find((lot) => lot.lotId === lotId)?.productId
  const cardOf = (lotId: string): MaterialCard =>
    shelf.card(amount.materialId, productOf(lotId)) ?? materials.get(amount.materialId)!
  return {
    shelf,
    /** What is chosen from: one pack, or one for each part of a blend. */
    packs,
    clock,
    cardOf,
    /** Of the dough: its field, where the mix ripens by the room. */
    room: byRoom ? room : undefined,
    /** Whether what moves its clock is known. */
    ready: !byRoom || roomCelsius !== undefined,
    /** @param lotIds one for each pack; empty: none is noted */
    mixOf: (lotIds: readonly string[], used: Used): RecordedMix => ({
      amountId: amount.id,
      materialId: amount.materialId,
      lots: lotIds.filter((lotId) => lotId !== ''),
      ...(productOf(lotIds[0]!) ? { product: cardOf(lotIds[0]!).name } : {}),
      ...used,
      ...(amount.kind === 'use'
        ? {}
        : mixConditions(amount.materialId, cardOf(lotIds[0]!), clock, roomCelsius)),
    }),
  }
}
