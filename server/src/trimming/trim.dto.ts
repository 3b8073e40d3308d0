import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger'
import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsNumber,
  IsOptional,
  ValidateNested,
} from 'class-validator'
import { Nested, NestedList } from '../errors/nested.ts'

const MANY = 200
const Point = () => Type(() => PointDto)

export class PointDto {
  @ApiProperty({ example: 16.4 }) @IsNumber() x: number
  @ApiProperty({ example: 30.6 }) @IsNumber() y: number
}
class PointOfSidesDto {
  @Nested(() => PointDto) right: PointDto
  @Nested(() => PointDto) left: PointDto
}
class PointsOfSidesDto {
  @NestedList(() => PointDto, MANY)
  right: PointDto[]
  @NestedList(() => PointDto, MANY)
  left: PointDto[]
}
class ArchLandmarksDto {
  @Nested(() => PointOfSidesDto) canines: PointOfSidesDto
  @Nested(() => PointsOfSidesDto) buccal: PointsOfSidesDto
  @Nested(() => PointsOfSidesDto) vestibule: PointsOfSidesDto
  @NestedList(() => PointDto, MANY)
  anterior: PointDto[]
  @Nested(() => PointDto) incisorFront: PointDto
}
class UpperLandmarksDto extends ArchLandmarksDto {
  @NestedList(() => PointDto, MANY)
  midline: PointDto[]
  @Nested(() => PointOfSidesDto) notches: PointOfSidesDto
}
class LowerLandmarksDto extends ArchLandmarksDto {
  @ApiProperty({ type: [PointDto], description: 'Two points on the back edge, flush with the upper' })
  @IsArray()
  @ArrayMinSize(2)
  @ArrayMaxSize(2)
  @ValidateNested({ each: true })
  @Point()
  backEdge: [PointDto, PointDto]
  @Nested(() => PointDto) mark: PointDto
}
class HeightReadingDto {
  @Nested(() => PointDto) at: PointDto
  @ApiProperty({ example: 38 }) @IsNumber() heightMillimetres: number
}
class ModelDto {
  @NestedList(() => PointDto, MANY)
  outline: PointDto[]
  @NestedList(() => HeightReadingDto, 50)
  heights: HeightReadingDto[]
  @ApiPropertyOptional({ example: 22 }) @IsOptional() @IsNumber() deepestMillimetres?: number
}
class UpperModelDto extends ModelDto {
  @Nested(() => UpperLandmarksDto) landmarks: UpperLandmarksDto
}
class LowerModelDto extends ModelDto {
  @Nested(() => LowerLandmarksDto) landmarks: LowerLandmarksDto
}
class TrimChoicesDto {
  @ApiPropertyOptional() @IsOptional() @IsNumber() backClearanceMillimetres?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() vestibuleAllowanceMillimetres?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() canineRayDegrees?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() frontMaxDegrees?: number
  @ApiPropertyOptional({ example: 12.7 }) @IsOptional() @IsNumber() heelMillimetres?: number
  @ApiPropertyOptional({ enum: ['right', 'left'] }) @IsOptional() @IsIn(['right', 'left']) betterSide?:
    | 'right'
    | 'left'
}
/** A pair of study models as marked and measured; every length mm, in one frame for each model. */
export class PairEntryDto {
  @Nested(() => UpperModelDto) upper: UpperModelDto
  @Nested(() => LowerModelDto) lower: LowerModelDto
  @Nested(() => TrimChoicesDto) choices: TrimChoicesDto
  @ApiPropertyOptional() @IsOptional() @IsNumber() planeOffMiddleMillimetres?: number
}

/** Right, then left. */
const BothSides = () => (target: object, key: string) => {
  IsArray()(target, key)
  ArrayMinSize(2)(target, key)
  ArrayMaxSize(2)(target, key)
  IsNumber({}, { each: true })(target, key)
}
class FinishedModelDto {
  @ApiProperty({ example: 90 }) @IsNumber() backToMidlineDegrees: number
  @ApiProperty({ example: 90 }) @IsNumber() backToBaseDegrees: number
  @ApiProperty({ type: [Number], example: [65, 65] }) @BothSides() sideDegrees: [number, number]
  @ApiPropertyOptional({ type: [Number] }) @IsOptional() @BothSides() frontDegrees?: [number, number]
  @ApiProperty({ type: [Number], example: [12.7, 12.7] }) @BothSides() heelMillimetres: [number, number]
  @ApiProperty({ type: [Number], example: [122, 122] }) @BothSides() heelDegrees: [number, number]
  @ApiPropertyOptional({ type: [Number] }) @IsOptional() @BothSides() canineCornerMillimetres?: [
    number,
    number,
  ]
  @ApiPropertyOptional({ type: [Number] }) @IsOptional() @BothSides() heelCornerMillimetres?: [number, number]
}
export class FinishedPairDto {
  @Nested(() => FinishedModelDto) upper: FinishedModelDto
  @Nested(() => FinishedModelDto) lower: FinishedModelDto
  @ApiProperty({ type: [Number] })
  @IsArray()
  @ArrayMinSize(3)
  @ArrayMaxSize(3)
  @IsNumber({}, { each: true })
  totalHeightsMillimetres: [number, number, number]
  @ApiProperty() @IsNumber() planeFromMiddleMillimetres: number
  @ApiProperty() @IsNumber() basesTiltDegrees: number
  @ApiProperty() @IsNumber() upperBaseToPlaneDegrees: number
  @ApiProperty() @IsNumber() backStepMillimetres: number
}
