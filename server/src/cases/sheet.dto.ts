import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger'
import type { SheetKind } from '@yentrik/core'
import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsISO8601,
  IsNumber,
  IsOptional,
  IsString,
  Length,
  MaxLength,
  ValidateNested,
} from 'class-validator'
import { AlloyPieceDto, BurnoutRunDto } from '../casting/casting.dto.ts'
import { ClosureDto, CureRunDto } from '../curing/curing.dto.ts'
import { Nested, NestedList } from '../errors/nested.ts'
import { ArticulatorDto } from '../mounting/articulator.dto.ts'
import { PrescriptionDto, SetUpEntryDto, SetUpReadingDto, SetUpTolerancesDto } from '../setup/set-up.dto.ts'
import { FinishedPairDto, PairEntryDto } from '../trimming/trim.dto.ts'
import { RegionSeenDto, RoomSiteDto } from '../waxing/wax.dto.ts'

export const sheetKinds = [
  'parts',
  'places',
  'trimPlan',
  'finishedPair',
  'mounting',
  'prescription',
  'setUpPlan',
  'teethSet',
  'setUp',
  'room',
  'grooves',
  'regions',
  'burnout',
  'cure',
  'closures',
  'charge',
  'button',
  'dispatch',
  'tryInAnswer',
] as const satisfies readonly SheetKind[]

export class SheetDto {
  @ApiProperty({ enum: sheetKinds }) @IsIn(sheetKinds) kind: SheetKind
}
class PartCountDto {
  @ApiProperty({ example: 'Coping screws' }) @IsString() @Length(1, 120) name: string
  @ApiProperty({ example: 4 }) @IsNumber() count: number
}
class PartsSheetDto extends SheetDto {
  @NestedList(() => PartCountDto, 60)
  parts: PartCountDto[]
}
class PlaceReadingDto {
  @ApiProperty({ example: 'Front' }) @IsString() @Length(1, 120) place: string
  @ApiProperty({ example: 4.1 }) @IsNumber() value: number
}
class PlacesSheetDto extends SheetDto {
  @NestedList(() => PlaceReadingDto, 60)
  places: PlaceReadingDto[]
}
class TrimPlanSheetDto extends SheetDto {
  @Nested(() => PairEntryDto) entry: PairEntryDto
}
class FinishedPairSheetDto extends SheetDto {
  @Nested(() => FinishedPairDto) pair: FinishedPairDto
}

class MountingSheetDto extends SheetDto {
  @ApiProperty({ example: 'Average-value, fixed guides' }) @IsString() @Length(1, 120) name: string
  @Nested(() => ArticulatorDto) articulator: ArticulatorDto
  @ApiProperty({ example: 0 }) @IsNumber() pinMillimetres: number
  @ApiProperty() @IsBoolean() facebow: boolean
  @ApiPropertyOptional({ description: 'Data URL of a small JPEG' })
  @IsOptional()
  @IsString()
  @MaxLength(200_000)
  photo?: string
}

class PrescriptionSheetDto extends SheetDto {
  @Nested(() => PrescriptionDto) prescription: PrescriptionDto
}
class SetUpPlanSheetDto extends SheetDto {
  @Nested(() => SetUpEntryDto) setUpEntry: SetUpEntryDto
}
class TeethSetSheetDto extends SheetDto {
  @ApiProperty({ type: [Number], example: [21, 22] })
  @IsArray()
  @ArrayMaxSize(32)
  @IsInt({ each: true })
  teeth: number[]
}
class SetUpSheetDto extends SheetDto {
  @Nested(() => SetUpReadingDto) reading: SetUpReadingDto
  @Nested(() => SetUpTolerancesDto) tolerances: SetUpTolerancesDto
}
class RoomSheetDto extends SheetDto {
  @NestedList(() => RoomSiteDto, 60)
  sites: RoomSiteDto[]
}
class GroovesSheetDto extends SheetDto {
  @ApiProperty({ example: 46 }) @IsInt() tooth: number
  @ApiProperty({ example: 'lower-molar-five' }) @IsString() @Length(1, 80) patternId: string
}
class RegionsSheetDto extends SheetDto {
  @NestedList(() => RegionSeenDto, 60)
  regions: RegionSeenDto[]
}
class BurnoutSheetDto extends SheetDto {
  @ApiProperty({ example: 'Furnace' }) @IsString() @Length(1, 80) machine: string
  @Nested(() => BurnoutRunDto) run: BurnoutRunDto
}
class CureSheetDto extends SheetDto {
  @ApiProperty({ example: 'Bath 1' }) @IsString() @Length(1, 80) machine: string
  @Nested(() => CureRunDto) run: CureRunDto
  @ApiPropertyOptional({ description: 'Why it was run against advice' })
  @IsOptional()
  @IsString()
  @Length(1, 1000)
  reason?: string
}
class ClosuresSheetDto extends SheetDto {
  @NestedList(() => ClosureDto, 20) closures: ClosureDto[]
}
class ChargeSheetDto extends SheetDto {
  @ApiProperty({ example: 'nickel-chromium' }) @IsString() @Length(1, 80) alloyId: string
  @ApiPropertyOptional({ description: "Name of the lab's product" })
  @IsOptional()
  @IsString()
  @Length(1, 80)
  product?: string
  @NestedList(() => AlloyPieceDto, 60) pieces: AlloyPieceDto[]
  @ApiPropertyOptional({ example: 14.1 }) @IsOptional() @IsNumber() needGrams?: number
}
class ButtonSheetDto extends SheetDto {
  @ApiProperty({ example: 5.8, description: '0: scrapped' }) @IsNumber() grams: number
}
class DispatchSheetDto extends PartsSheetDto {
  @ApiProperty({ example: '2026-03-04T12:00:00Z' }) @IsISO8601({ strict: true }) dueBackAt: string
}
class WantedChangeDto {
  @ApiProperty({ example: 'front' }) @IsString() @Length(1, 80) change: string
  @ApiProperty({ example: '11 a little longer' }) @IsString() @Length(1, 1000) words: string
}
class TryInAnswerSheetDto extends SheetDto {
  @ApiProperty({ type: [WantedChangeDto], description: 'Empty: accepted' })
  @IsArray()
  @ArrayMaxSize(30)
  @ValidateNested({ each: true })
  @Type(() => WantedChangeDto)
  changes: WantedChangeDto[]
}

/** Which shape each kind of sheet has. */
export const sheetShapes = [
  { name: 'parts', value: PartsSheetDto },
  { name: 'places', value: PlacesSheetDto },
  { name: 'trimPlan', value: TrimPlanSheetDto },
  { name: 'finishedPair', value: FinishedPairSheetDto },
  { name: 'mounting', value: MountingSheetDto },
  { name: 'prescription', value: PrescriptionSheetDto },
  { name: 'setUpPlan', value: SetUpPlanSheetDto },
  { name: 'teethSet', value: TeethSetSheetDto },
  { name: 'setUp', value: SetUpSheetDto },
  { name: 'room', value: RoomSheetDto },
  { name: 'grooves', value: GroovesSheetDto },
  { name: 'regions', value: RegionsSheetDto },
  { name: 'burnout', value: BurnoutSheetDto },
  { name: 'cure', value: CureSheetDto },
  { name: 'closures', value: ClosuresSheetDto },
  { name: 'charge', value: ChargeSheetDto },
  { name: 'button', value: ButtonSheetDto },
  { name: 'dispatch', value: DispatchSheetDto },
  { name: 'tryInAnswer', value: TryInAnswerSheetDto },
]
