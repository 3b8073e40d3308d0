import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger'
import type { Movement } from '@yentrik/core'
import { IsBoolean, IsIn, IsNumber, IsOptional } from 'class-validator'
import { Nested } from '../errors/nested.ts'

class OfSidesDto {
  @ApiProperty({ example: 33 }) @IsNumber() right: number
  @ApiProperty({ example: 33 }) @IsNumber() left: number
}
class PinTipDto {
  @ApiProperty({ example: 100, description: 'In front of the hinge axis' }) @IsNumber() x: number
  @ApiProperty({ example: -50, description: 'Above the hinge axis' }) @IsNumber() z: number
}
/** An articulator as its settings make it; mm and degrees. */
export class ArticulatorDto {
  @ApiProperty({ example: 110 }) @IsNumber() intercondylarMillimetres: number
  @Nested(() => OfSidesDto) condylarDegrees: OfSidesDto
  @Nested(() => OfSidesDto) bennettDegrees: OfSidesDto
  @ApiProperty({ example: 0 }) @IsNumber() immediateSideShiftMillimetres: number
  @ApiProperty({ example: 10 }) @IsNumber() incisalDegrees: number
  @Nested(() => OfSidesDto) wingDegrees: OfSidesDto
  @Nested(() => PinTipDto) pinTip: PinTipDto
}

const movements = ['protrusion', 'rightLateral', 'leftLateral'] as const satisfies readonly Movement[]
class PointDto {
  @ApiProperty({ example: 50, description: 'Forwards' }) @IsNumber() x: number
  @ApiProperty({ example: 25, description: "To the patient's left" }) @IsNumber() y: number
  @ApiProperty({ example: -35, description: 'Up' }) @IsNumber() z: number
}
/** Where a lower point goes, and what the pin does there. */
export class ArticulatorQuestionDto {
  @Nested(() => ArticulatorDto) articulator: ArticulatorDto
  @Nested(() => PointDto) point: PointDto
  @ApiProperty({ enum: movements, example: 'protrusion' }) @IsIn(movements) movement: Movement
  @ApiProperty({ example: 4 }) @IsNumber() advanceMillimetres: number
  @ApiPropertyOptional({ example: 0 }) @IsOptional() @IsNumber() pinMillimetres?: number
  @ApiPropertyOptional({ example: false }) @IsOptional() @IsBoolean() workingFixed?: boolean
}
