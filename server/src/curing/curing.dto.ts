import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger'
import type { Closure, ResinSection } from '@yentrik/core'
import { IsBoolean, IsIn, IsNumber, IsOptional } from 'class-validator'
import { Figure, Nested, NestedList } from '../errors/nested.ts'
import { MeasuredRunDto, ProgramDto } from '../program/program.dto.ts'

const shapes = ['sheet', 'ridge'] as const satisfies readonly ResinSection['shape'][]
/** A place of the base: a wide sheet by its thickness, a ridge by its diameter. */
class ResinSectionDto {
  @ApiProperty({ enum: shapes }) @IsIn(shapes) shape: ResinSection['shape']
  @Figure(12) millimetres: number
}
/** A bath to be followed into the resin. */
export class CureDto {
  @NestedList(() => ResinSectionDto, 8) sections: ResinSectionDto[]
  @Nested(() => ProgramDto) program: ProgramDto
  @ApiPropertyOptional({ example: 0.3, description: 'Stone of the mould, mL/g; left out: wet stone' })
  @IsOptional()
  @IsNumber()
  waterPowderRatio?: number
}
const closureFroms = ['press', 'hand'] as const satisfies readonly Closure['from'][]
/** A trial closure and what it showed. */
export class ClosureDto {
  @Figure(10_342) kilopascals: number
  @ApiProperty() @IsBoolean() flash: boolean
  @ApiProperty() @IsBoolean() gap: boolean
  @ApiProperty({ enum: closureFroms }) @IsIn(closureFroms) from: Closure['from']
}
/** A cure as it was run. */
export class CureRunDto extends MeasuredRunDto {
  @NestedList(() => ResinSectionDto, 8) sections: ResinSectionDto[]
}
