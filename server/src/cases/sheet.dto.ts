import { ApiProperty } from '@nestjs/swagger'
import type { SheetKind } from '@yentrik/core'
import { Type } from 'class-transformer'
import { ArrayMaxSize, IsArray, IsIn, IsNumber, IsString, Length, ValidateNested } from 'class-validator'
import { FinishedPairDto, PairEntryDto } from '../trimming/trim.dto.ts'

const sheetKinds = ['parts', 'places', 'trimPlan', 'finishedPair'] as const satisfies readonly SheetKind[]

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

/** Which shape each kind of sheet has. */
export const sheetShapes = [
  { name: 'parts', value: PartsSheetDto },
  { name: 'places', value: PlacesSheetDto },
  { name: 'trimPlan', value: TrimPlanSheetDto },
  { name: 'finishedPair', value: FinishedPairSheetDto },
]
