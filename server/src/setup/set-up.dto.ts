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
import { Nested, NestedList } from '../errors/nested.ts'
import { PointDto } from '../trimming/trim.dto.ts'

const archs = ['upper', 'lower'] as const
const Millimetres = (example: number, description?: string) => (target: object, key: string) => {
  ApiProperty({ example, description })(target, key)
  IsNumber()(target, key)
}

class SidesDto {
  @Millimetres(24) right: number
  @Millimetres(24.5) left: number
}
export class PrescriptionDto {
  @ApiProperty({ enum: archs }) @IsIn(archs) arch: 'upper' | 'lower'
  @Millimetres(0, 'From the mark on the cast, to the left above 0') centreLineMillimetres: number
  @Millimetres(21.5, 'Vestibule to edge') incisalLevelMillimetres: number
  @Millimetres(8, 'Papilla to the front of the rim') labialFullnessMillimetres: number
  @Nested(() => SidesDto) canineMillimetres: SidesDto
  @Nested(() => SidesDto) planeMillimetres: SidesDto
  @Millimetres(9.5) highLipMillimetres: number
  @Millimetres(0) pinMillimetres: number
}
export class SetUpReadingDto {
  @Millimetres(0.2) centreLineMillimetres: number
  @Nested(() => SidesDto) incisalLevelMillimetres: SidesDto
  @Nested(() => SidesDto) labialFullnessMillimetres: SidesDto
  @Nested(() => SidesDto) canineMillimetres: SidesDto
  @Nested(() => SidesDto) planeMillimetres: SidesDto
  @Millimetres(0) pinMillimetres: number
}
export class SetUpTolerancesDto {
  @Millimetres(usualTolerances.centreLineMillimetres) centreLineMillimetres: number
  @Millimetres(usualTolerances.levelMillimetres) levelMillimetres: number
  @Millimetres(usualTolerances.fullnessMillimetres) fullnessMillimetres: number
  @Millimetres(usualTolerances.canineMillimetres) canineMillimetres: number
  @Millimetres(usualTolerances.planeMillimetres) planeMillimetres: number
  @Millimetres(usualTolerances.pinMillimetres) pinMillimetres: number
}

class FrontWidthsDto {
  @Millimetres(11) central: number
  @Millimetres(9.6) lateral: number
  @Millimetres(10.6) canine: number
}
class WidthsDto {
  @Millimetres(8.9) central: number
  @Millimetres(6.9) lateral: number
  @Millimetres(8) canine: number
  @Millimetres(7.2) firstPremolar: number
  @Millimetres(6.8) secondPremolar: number
  @Millimetres(10.2) firstMolar: number
  @Millimetres(9.2) secondMolar: number
}
/** What was measured of a set of teeth. */
export class ToothMeasuresDto {
  @Nested(() => WidthsDto) widthsMillimetres: WidthsDto
  @Nested(() => FrontWidthsDto) lengthsMillimetres: FrontWidthsDto
  @Millimetres(20) cuspDegrees: number
}
class ToothSetDto extends ToothMeasuresDto {
  @ApiProperty({ example: 'Broad 24' }) @IsString() @Length(1, 60) name: string
}

class StanceDto {
  @Millimetres(2) mesiodistalDegrees: number
  @Millimetres(usualStances.central.labialDegrees) labialDegrees: number
  @Millimetres(0) shortMillimetres: number
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
  @Millimetres(9.5) highLipMillimetres: number
  @Nested(() => ToothSetDto) toothSet: ToothSetDto
  @Nested(() => StancesDto) stances: StancesDto
  @Millimetres(85) incisorForwardMillimetres: number
  @Millimetres(35) incisorBelowMillimetres: number
  @ApiProperty({ enum: curves }) @IsIn(curves) curve: SetUpEntry['curve']
  @Millimetres(101.6) curveRadiusMillimetres: number
  @Millimetres(110) intercondylarMillimetres: number
  @Nested(() => OpposingDto) opposing: OpposingDto
}
