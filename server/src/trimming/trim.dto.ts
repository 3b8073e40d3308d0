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

const MANY = 200
const Point = () => Type(() => PointDto)

export class PointDto {
  @ApiProperty({ example: 16.4 }) @IsNumber() x: number
  @ApiProperty({ example: 30.6 }) @IsNumber() y: number
}
class PointOfSidesDto {
  @ApiProperty({ type: PointDto }) @ValidateNested() @Point() right: PointDto
  @ApiProperty({ type: PointDto }) @ValidateNested() @Point() left: PointDto
}
class PointsOfSidesDto {
  @ApiProperty({ type: [PointDto] })
  @IsArray()
  @ArrayMaxSize(MANY)
  @ValidateNested({ each: true })
  @Point()
  right: PointDto[]
  @ApiProperty({ type: [PointDto] })
  @IsArray()
  @ArrayMaxSize(MANY)
  @ValidateNested({ each: true })
  @Point()
  left: PointDto[]
}
class ArchLandmarksDto {
  @ApiProperty() @ValidateNested() @Type(() => PointOfSidesDto) canines: PointOfSidesDto
  @ApiProperty() @ValidateNested() @Type(() => PointsOfSidesDto) buccal: PointsOfSidesDto
  @ApiProperty() @ValidateNested() @Type(() => PointsOfSidesDto) vestibule: PointsOfSidesDto
  @ApiProperty({ type: [PointDto] })
  @IsArray()
  @ArrayMaxSize(MANY)
  @ValidateNested({ each: true })
  @Point()
  anterior: PointDto[]
  @ApiProperty() @ValidateNested() @Point() incisorFront: PointDto
}
class UpperLandmarksDto extends ArchLandmarksDto {
  @ApiProperty({ type: [PointDto] })
  @IsArray()
  @ArrayMaxSize(MANY)
  @ValidateNested({ each: true })
  @Point()
  midline: PointDto[]
  @ApiProperty() @ValidateNested() @Type(() => PointOfSidesDto) notches: PointOfSidesDto
}
class LowerLandmarksDto extends ArchLandmarksDto {
  @ApiProperty({ type: [PointDto], description: 'Two points on the back edge, flush with the upper' })
  @IsArray()
  @ArrayMinSize(2)
  @ArrayMaxSize(2)
  @ValidateNested({ each: true })
  @Point()
  backEdge: [PointDto, PointDto]
  @ApiProperty() @ValidateNested() @Point() mark: PointDto
}
class HeightReadingDto {
  @ApiProperty() @ValidateNested() @Point() at: PointDto
  @ApiProperty({ example: 38 }) @IsNumber() heightMillimetres: number
}
class ModelDto {
  @ApiProperty({ type: [PointDto] })
  @IsArray()
  @ArrayMaxSize(MANY)
  @ValidateNested({ each: true })
  @Point()
  outline: PointDto[]
  @ApiProperty({ type: [HeightReadingDto] })
  @IsArray()
  @ArrayMaxSize(50)
  @ValidateNested({ each: true })
  @Type(() => HeightReadingDto)
  heights: HeightReadingDto[]
  @ApiPropertyOptional({ example: 22 }) @IsOptional() @IsNumber() deepestMillimetres?: number
}
class UpperModelDto extends ModelDto {
  @ApiProperty() @ValidateNested() @Type(() => UpperLandmarksDto) landmarks: UpperLandmarksDto
}
class LowerModelDto extends ModelDto {
  @ApiProperty() @ValidateNested() @Type(() => LowerLandmarksDto) landmarks: LowerLandmarksDto
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
  @ApiProperty() @ValidateNested() @Type(() => UpperModelDto) upper: UpperModelDto
  @ApiProperty() @ValidateNested() @Type(() => LowerModelDto) lower: LowerModelDto
  @ApiProperty() @ValidateNested() @Type(() => TrimChoicesDto) choices: TrimChoicesDto
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
  @ApiProperty() @ValidateNested() @Type(() => FinishedModelDto) upper: FinishedModelDto
  @ApiProperty() @ValidateNested() @Type(() => FinishedModelDto) lower: FinishedModelDto
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
