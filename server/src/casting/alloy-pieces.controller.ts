import { randomUUID } from 'node:crypto'
import { Body, Controller, Delete, Get, HttpCode, Param, Post } from '@nestjs/common'
import { ApiOperation, ApiProperty, ApiPropertyOptional, ApiTags } from '@nestjs/swagger'
import { checkPiece, materials, meltedOnce, newMetal } from '@yentrik/core'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsInt,
  IsNumber,
  IsOptional,
  IsString,
  Length,
  Max,
  Min,
} from 'class-validator'
import { DataSource, IsNull } from 'typeorm'
import { LabClock } from '../clock/lab-clock.ts'
import { AlloyPieceRow, LotRow } from '../database/entities.ts'
import { WriteQueue } from '../database/write-queue.ts'
import { Refusal } from '../errors/problem.filter.ts'
import { LiveService } from '../live/live.service.ts'

class NewPiecesDto {
  @ApiProperty({ description: 'The lot of an alloy' }) @IsString() @Length(1, 80) lotId: string
  @ApiProperty({ type: [Number], example: [6.02, 5.97] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(60)
  @IsNumber({}, { each: true })
  grams: number[]
  @ApiPropertyOptional({ example: 0, description: 'How often it was melted before; left out: new' })
  @IsOptional()
  @IsInt()
  @Min(0)
  @Max(10)
  meltedBefore?: number
}

/** The pieces of alloy on the shelf, each weighed by itself. Cases take them, and give their buttons back. */
@ApiTags('casting')
@Controller('alloy-pieces')
export class AlloyPiecesController {
  constructor(
    private readonly dataSource: DataSource,
    private readonly queue: WriteQueue,
    private readonly clock: LabClock,
    private readonly live: LiveService,
  ) {}

  @Get()
  @ApiOperation({ summary: 'The pieces that nobody has melted yet' })
  onShelf(): Promise<AlloyPieceRow[]> {
    return this.dataSource.manager.find(AlloyPieceRow, {
      where: { takenBy: IsNull() },
      order: { materialId: 'ASC', grams: 'DESC' },
    })
  }

  @Post()
  @ApiOperation({ summary: 'Weigh pieces of a lot in' })
  async weighIn(@Body() { lotId, grams, meltedBefore = 0 }: NewPiecesDto): Promise<AlloyPieceRow[]> {
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
        (each): AlloyPieceRow => ({
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
    this.live.tell({ kind: 'lots' })
    return rows
  }

  @Delete(':pieceId')
  @HttpCode(204)
  @ApiOperation({ summary: 'A piece was scrapped; one that a case has melted stays on record' })
  async scrap(@Param('pieceId') pieceId: string): Promise<void> {
    const { affected } = await this.queue.write((manager) =>
      manager.delete(AlloyPieceRow, { pieceId, takenBy: IsNull() }),
    )
    if (!affected)
      throw new Refusal(404, 'no-such-piece', 'That piece is not on the shelf.', 'Reload the shelf.')
    this.live.tell({ kind: 'lots' })
  }
}
