import { randomUUID } from 'node:crypto'
import { Controller } from '@nestjs/common'
import type { AlloyPieceOnShelf } from '@yentrik/contract'
import { checkPiece, materials, meltedOnce, newMetal } from '@yentrik/core'
import { DataSource, IsNull } from 'typeorm'
import { LabClock } from '../clock/lab-clock.ts'
import { AlloyPieceRow, LotRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { LiveService } from '../live/live.service.ts'
import { type Call, Handles } from '../shapes/handles.ts'

/** The pieces of alloy on the shelf, each weighed by itself. Cases take them, and give their buttons back. */
@Controller()
export class AlloyPiecesController {
  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    private readonly clock: LabClock,
    private readonly live: LiveService,
  ) {}

  @Handles('GET /alloy-pieces')
  async onShelf(): Promise<AlloyPieceOnShelf[]> {
    return this.dataSource.manager.find(AlloyPieceRow, {
      where: { takenBy: IsNull() },
      order: { materialId: 'ASC', grams: 'DESC' },
    }) as Promise<AlloyPieceOnShelf[]>
  }

  @Handles('POST /alloy-pieces')
  async weighIn({ body }: Call<'POST /alloy-pieces'>): Promise<AlloyPieceOnShelf[]> {
    const { lotId, grams, meltedBefore = 0 } = body
    let history = newMetal
    for (let melt = 0; melt < meltedBefore; melt++) history = meltedOnce(history)
    const lots = [{ lotId, share: 1 }]
    for (const each of grams) checkPiece({ grams: each, history, lots })
    const weighedAt = new Date(this.clock.now()).toISOString()
    const rows = await this.queue.write(async (manager) => {
      const lot = await manager.findOneBy(LotRow, { lotId })
      if (!lot || materials.get(lot.materialId)?.family !== 'alloy')
        throw new Refusal(
          422,
          'no-such-lot',
          'That is no lot of an alloy.',
          'Take its lot onto the shelf first.',
          {
            field: 'lotId',
          },
        )
      const pieces = grams.map(
        (each): AlloyPieceOnShelf => ({
          pieceId: randomUUID(),
          materialId: lot.materialId,
          productId: lot.productId,
          grams: each,
          lots,
          history,
          weighedAt,
          fromCase: null,
          takenBy: null,
        }),
      )
      await manager.insert(
        AlloyPieceRow,
        pieces.map((piece) => ({ ...piece, lots: lots as object, history: history as object })),
      )
      return pieces
    })
    this.live.announce({ kind: 'lots' })
    return rows
  }

  @Handles('DELETE /alloy-pieces/:pieceId')
  async scrap({ path: { pieceId } }: Call<'DELETE /alloy-pieces/:pieceId'>) {
    const { affected } = await this.queue.write((manager) =>
      manager.delete(AlloyPieceRow, { pieceId, takenBy: IsNull() }),
    )
    if (!affected)
      throw new Refusal(404, 'no-such-piece', 'That piece is not on the shelf.', 'Reload the shelf.')
    this.live.announce({ kind: 'lots' })
  }
}
