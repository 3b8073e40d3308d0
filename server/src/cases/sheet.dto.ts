import { ApiProperty } from '@nestjs/swagger'
import type { SheetKind } from '@yentrik/core'
import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsNumber,
  IsString,
  Length,
  ValidateNested,
} from 'class-validator'
import { ArticulatorDto } from '../mounting/articulator.dto.ts'
import { FinishedPairDto, PairEntryDto } from '../trimming/trim.dto.ts'

const sheetKinds = [
  'parts',
  'places',
  'trimPlan',
  'finishedPair',
  'mounting',
] as const satisfies readonly SheetKind[]

export class SheetDto {
  @ApiProperty({ enum: sheetKinds }) @IsIn(sheetKinds) kind: SheetKind
}
class PartCountDto {
  @ApiProperty({ example: 'Coping screws' }) @IsString() @Length(1, 120) name: string
  @ApiProperty({ example: 4 }) @IsNumber() count: number
}
class PartsSheetDto extends SheetDto {
  @ApiProperty({ type: [PartCountDto] })
  @IsArray()
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => PartCountDto)
  parts: PartCountDto[]
}
class PlaceReadingDto {
  @ApiProperty({ example: 'Front' }) @IsString() @Length(1, 120) place: string
  @ApiProperty({ example: 4.1 }) @IsNumber() value: number
}
class PlacesSheetDto extends SheetDto {
  @ApiProperty({ type: [PlaceReadingDto] })
  @IsArray()
  @ArrayMaxSize(60)
  @ValidateNested({ each: true })
  @Type(() => PlaceReadingDto)
  places: PlaceReadingDto[]
}
class TrimPlanSheetDto extends SheetDto {
  @ApiProperty() @ValidateNested() @Type(() => PairEntryDto) entry: PairEntryDto
}
class FinishedPairSheetDto extends SheetDto {
  @ApiProperty() @ValidateNested() @Type(() => FinishedPairDto) pair: FinishedPairDto
}

class MountingSheetDto extends SheetDto {
  @ApiProperty({ example: 'Average-value, fixed guides' }) @IsString() @Length(1, 120) name: string
  @ApiProperty() @ValidateNested() @Type(() => ArticulatorDto) articulator: ArticulatorDto
  @ApiProperty({ example: 0 }) @IsNumber() pinMillimetres: number
  @ApiProperty() @IsBoolean() facebow: boolean
}

/** Which shape each kind of sheet has. */
export const sheetShapes = [
  { name: 'parts', value: PartsSheetDto },
  { name: 'places', value: PlacesSheetDto },
  { name: 'trimPlan', value: TrimPlanSheetDto },
  { name: 'finishedPair', value: FinishedPairSheetDto },
  { name: 'mounting', value: MountingSheetDto },
]
