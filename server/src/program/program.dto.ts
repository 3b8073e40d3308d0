import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger'
import type { MeasuredRun } from '@yentrik/core'
import { IsIn, IsNumber, IsOptional } from 'class-validator'
import { Figure, Nested, NestedList } from '../errors/nested.ts'

class SegmentDto {
  @Figure(5) rampCelsiusPerMinute: number
  @Figure(250) toCelsius: number
  @Figure(60) holdMinutes: number
}
/** A timed temperature cycle. */
export class ProgramDto {
  @Figure(20) startCelsius: number
  @NestedList(() => SegmentDto, 20) segments: SegmentDto[]
}
class MeasuredPointDto {
  @Figure(120) minutes: number
  @Figure(250) celsius: number
}
const froms = ['machine', 'hand'] as const satisfies readonly MeasuredRun['from'][]
/** A program as it was run, and what was read. */
export class MeasuredRunDto {
  @Nested(() => ProgramDto) program: ProgramDto
  @ApiProperty({ enum: froms }) @IsIn(froms) from: MeasuredRun['from']
  @NestedList(() => MeasuredPointDto, 1000) measured: MeasuredPointDto[]
  @ApiProperty({ example: 0 }) @IsNumber() showsTooMuchCelsius: number
  @ApiPropertyOptional({ example: 310 }) @IsOptional() @IsNumber() endMinutes?: number
}
