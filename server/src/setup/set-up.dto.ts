import { ApiProperty } from '@nestjs/swagger'
import { type SetUpEntry, usualStances, usualTolerances } from '@yentrik/core'
import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  IsArray,
  IsIn,
  IsNumber,
  IsOptional,
  IsString,
  Length,
  ValidateNested,
} from 'class-validator'
import { Figure, Nested, NestedList } from '../errors/nested.ts'
import { PointDto } from '../trimming/trim.dto.ts'

const archs = ['upper', 'lower'] as const

class SidesDto {
  @Figure(24) right: number
  @Figure(24.5) left: number
}
export class PrescriptionDto {
  @ApiProperty({ enum: archs }) @IsIn(archs) arch: 'upper' | 'lower'
  @Figure(0, 'From the mark on the cast, to the left above 0') centreLineMillimetres: number
  @Figure(21.5, 'Vestibule to edge') incisalLevelMillimetres: number
  @Figure(8, 'Papilla to the front of the rim') labialFullnessMillimetres: number
  @Nested(() => SidesDto) canineMillimetres: SidesDto
  @Nested(() => SidesDto) planeMillimetres: SidesDto
  @Figure(9.5) highLipMillimetres: number
  @Figure(0) pinMillimetres: number
}
export class SetUpReadingDto {
  @Figure(0.2) centreLineMillimetres: number
  @Nested(() => SidesDto) incisalLevelMillimetres: SidesDto
  @Nested(() => SidesDto) labialFullnessMillimetres: SidesDto
  @Nested(() => SidesDto) canineMillimetres: SidesDto
  @Nested(() => SidesDto) planeMillimetres: SidesDto
  @Figure(0) pinMillimetres: number
}
export class SetUpTolerancesDto {
  @Figure(usualTolerances.centreLineMillimetres) centreLineMillimetres: number
  @Figure(usualTolerances.levelMillimetres) levelMillimetres: number
  @Figure(usualTolerances.fullnessMillimetres) fullnessMillimetres: number
  @Figure(usualTolerances.canineMillimetres) canineMillimetres: number
  @Figure(usualTolerances.planeMillimetres) planeMillimetres: number
  @Figure(usualTolerances.pinMillimetres) pinMillimetres: number
}

class FrontWidthsDto {
  @Figure(11) central: number
  @Figure(9.6) lateral: number
  @Figure(10.6) canine: number
}
class WidthsDto {
  @Figure(8.9) central: number
  @Figure(6.9) lateral: number
  @Figure(8) canine: number
  @Figure(7.2) firstPremolar: number
  @Figure(6.8) secondPremolar: number
  @Figure(10.2) firstMolar: number
  @Figure(9.2) secondMolar: number
}
/** What was measured of a set of teeth. */
export class ToothMeasuresDto {
  @Nested(() => WidthsDto) widthsMillimetres: WidthsDto
  @Nested(() => FrontWidthsDto) lengthsMillimetres: FrontWidthsDto
  @Figure(20) cuspDegrees: number
}
class ToothSetDto extends ToothMeasuresDto {
  @ApiProperty({ example: 'Broad 24' }) @IsString() @Length(1, 60) name: string
}

class StanceDto {
  @Figure(2) mesiodistalDegrees: number
  @Figure(usualStances.central.labialDegrees) labialDegrees: number
  @Figure(0) shortMillimetres: number
}
class StancesDto {
  @Nested(() => StanceDto) central: StanceDto
  @Nested(() => StanceDto) lateral: StanceDto
  @Nested(() => StanceDto) canine: StanceDto
}
class HeightsDto {
  @ApiProperty({ type: [Number] })
  @IsArray()
  @ArrayMaxSize(4)
  @IsNumber({}, { each: true })
  right: number[]
  @ApiProperty({ type: [Number] })
  @IsArray()
  @ArrayMaxSize(4)
  @IsNumber({}, { each: true })
  left: number[]
}
const opposings = ['denture', 'natural'] as const
class OpposingDto {
  @ApiProperty({ enum: opposings, example: 'denture' }) @IsIn(opposings) kind: (typeof opposings)[number]
  @ApiProperty({ required: false }) @IsOptional() @IsNumber() overlapMillimetres?: number
  @ApiProperty({ required: false, type: () => HeightsDto })
  @IsOptional()
  @ValidateNested()
  @Type(() => HeightsDto)
  heightsMillimetres?: HeightsDto
}
const curves = ['teeth', 'condyles'] as const satisfies readonly SetUpEntry['curve'][]

/** What a set-up is planned from; mm and degrees. */
export class SetUpEntryDto {
  @ApiProperty({ enum: archs }) @IsIn(archs) arch: 'upper' | 'lower'
  @NestedList(() => PointDto, 60) rim: PointDto[]
  @NestedList(() => PointDto, 60) crest: PointDto[]
  @Nested(() => SidesDto) canineMillimetres: SidesDto
  @Figure(9.5) highLipMillimetres: number
  @Nested(() => ToothSetDto) toothSet: ToothSetDto
  @Nested(() => StancesDto) stances: StancesDto
  @Figure(85) incisorForwardMillimetres: number
  @Figure(35) incisorBelowMillimetres: number
  @ApiProperty({ enum: curves }) @IsIn(curves) curve: SetUpEntry['curve']
  @Figure(101.6) curveRadiusMillimetres: number
  @Figure(110) intercondylarMillimetres: number
  @Nested(() => OpposingDto) opposing: OpposingDto
}
