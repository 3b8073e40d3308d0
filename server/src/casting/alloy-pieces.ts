import { meltedCharges, type WorkingCase } from '@yentrik/core'
import { type EntityManager, In, IsNull, Not } from 'typeorm'
import { AlloyPieceRow, LabProductRow } from '../database/entities.ts'
import { Refusal } from '../errors/problem.filter.ts'

/**
 * Brings the stock of alloy into line with what a case has melted: its pieces are gone, its buttons are there.
 * @throws {Refusal} `piece-taken`: another case has melted one of them
 */
export async function writeAlloyPieces(
  manager: EntityManager,
  caseId: string,
  { events, routes: named }: WorkingCase,
): Promise<void> {
  await manager.update(AlloyPieceRow, { takenBy: caseId }, { takenBy: null })
  const ofJob = new Map<string, number>()
  const standingButtons: string[] = []
  for (const { jobId, alloyId, product, pieces, button, at } of meltedCharges(
    events,
    (id) => named.get(id)!,
  )) {
    for (const { id, grams } of pieces) {
      const row = await manager.findOneBy(AlloyPieceRow, { pieceId: id })
      if (row?.takenBy)
        throw new Refusal(
          409,
          'piece-taken',
          `The piece of ${grams} g has been melted for another case.`,
          'Choose again from the shelf.',
          { field: 'pieces' },
        )
      if (row) await manager.update(AlloyPieceRow, { pieceId: id }, { takenBy: caseId })
    }
    const charge = (ofJob.get(jobId) ?? 0) + 1
    ofJob.set(jobId, charge)
    const pieceId = `${caseId} ${jobId} ${charge}`
    standingButtons.push(pieceId)
    await writeButton(
      manager,
      pieceId,
      button && {
        materialId: alloyId,
        productId: await productIdOf(manager, product),
        grams: button.grams,
        lots: button.lots as object,
        history: button.history as object,
        weighedAt: at,
        fromCase: caseId,
      },
    )
  }
  // The button of a charge that was withdrawn was never weighed.
  await manager.delete(AlloyPieceRow, {
    fromCase: caseId,
    takenBy: IsNull(),
    pieceId: Not(In(standingButtons)),
  })
}

/** A button that somebody has melted since stays as it was weighed then. */
async function writeButton(
  manager: EntityManager,
  pieceId: string,
  button: Omit<AlloyPieceRow, 'pieceId' | 'takenBy'> | undefined,
): Promise<void> {
  const known = await manager.findOneBy(AlloyPieceRow, { pieceId })
  if (known?.takenBy) return
  if (button)
    await manager.upsert(AlloyPieceRow, { ...button, pieceId, takenBy: null } as object, ['pieceId'])
  else if (known) await manager.delete(AlloyPieceRow, { pieceId })
}

async function productIdOf(manager: EntityManager, name: string | undefined): Promise<string | null> {
  if (!name) return null
  const rows = await manager.find(LabProductRow)
  return rows.find((row) => (row.product as { name: string }).name === name)?.productId ?? null
}
