import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger'
import type { Binder } from '@yentrik/core'
import { ArrayMaxSize, IsArray, IsIn, IsInt, IsNumber, IsOptional, IsString, Length } from 'class-validator'
import { Figure, Nested, NestedList } from '../errors/nested.ts'
import { MeasuredRunDto, ProgramDto } from '../program/program.dto.ts'

const binders = ['gypsum', 'phosphate'] as const satisfies readonly Binder[]

class PatternPartDto {
  @Figure(0.4) grams: number
  @Figure(0.95) gramsPerCm3: number
}
/** Patterns, with their sprues, and the alloy that is to fill their place. */
export class AlloyDto {
  @NestedList(() => PatternPartDto, 60) parts: PatternPartDto[]
  @Figure(15.5) alloyGramsPerCm3: number
  @ApiPropertyOptional({ example: 6 }) @IsOptional() @IsNumber() buttonGrams?: number
}

class ExpansionRowDto {
  @Figure(50) specialLiquidPercent: number
  @Figure(0.0058, 'Linear fraction: 0.58 % is 0.0058') settingFraction: number
  @Figure(0.011, 'At the peak of the burnout') thermalFraction: number
}
class DieDto {
  @Figure(8) dieMillimetres: number
  @Figure(0.03) spacerMillimetres: number
}
/** Shrinkage against expansion, by the product's own table. Linear fractions. */
export class ExpansionDto {
  @Figure(0.0142) shrinkageFraction: number
  @Figure(0) waxContractionFraction: number
  @Figure(0) hygroscopicFraction: number
  @Figure(1, 'What ring and liner let through') restraint: number
  @Figure(1, 'Of the thermal expansion left when the metal comes in') thermalShare: number
  @NestedList(() => ExpansionRowDto, 40) table: ExpansionRowDto[]
  @Nested(() => DieDto) die: DieDto
  @ApiPropertyOptional({ example: 0.03, description: 'Left out: the spacer' })
  @IsOptional()
  @IsNumber()
  gapMillimetres?: number
}

/** A pattern in its ring, mm. */
export class SprueDto {
  @Figure(2.588) sprueMillimetres: number
  @Figure(1.5) sectionMillimetres: number
  @ApiProperty({ enum: binders }) @IsIn(binders) binder: Binder
  @Figure(20) ringRadiusMillimetres: number
  @Figure(50) ringHeightMillimetres: number
  @Figure(20) formerMillimetres: number
  @Figure(16) sprueLengthMillimetres: number
  @Figure(10.5) patternHeightMillimetres: number
  @Figure(8) patternReachMillimetres: number
  @ApiPropertyOptional({ example: 1 }) @IsOptional() @IsInt() patterns?: number
}

class RingDto {
  @Figure(32.5) radiusMillimetres: number
  @Figure(55) heightMillimetres: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() metalMillimetres?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() liningMillimetres?: number
}
/** A burnout to be followed into the core of its ring. */
export class BurnoutDto extends ProgramDto {
  @ApiProperty({ enum: binders }) @IsIn(binders) binder: Binder
  @Nested(() => RingDto) ring: RingDto
}
/** A burnout as it was run, with the ring that was in it. */
export class BurnoutRunDto extends MeasuredRunDto {
  @ApiProperty({ enum: binders }) @IsIn(binders) binder: Binder
  @Nested(() => RingDto) ring: RingDto
}

class LotShareDto {
  @ApiProperty() @IsString() @Length(1, 80) lotId: string
  @Figure(1) share: number
}
class MeltHistoryDto {
  @ApiProperty({
    type: [Number],
    example: [1],
    description: 'Share that was melted 0, 1, 2 ... times before',
  })
  @IsArray()
  @ArrayMaxSize(30)
  @IsNumber({}, { each: true })
  shares: number[]
}
export class AlloyPieceDto {
  @ApiProperty({ description: 'As on /api/alloy-pieces, or any other for a piece that is not kept there' })
  @IsString()
  @Length(1, 160)
  id: string
  @Figure(6.02) grams: number
  @NestedList(() => LotShareDto, 30) lots: LotShareDto[]
  @Nested(() => MeltHistoryDto) history: MeltHistoryDto
}
