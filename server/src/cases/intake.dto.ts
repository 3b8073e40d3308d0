import { ApiProperty, ApiPropertyOptional, PartialType } from '@nestjs/swagger'
import { fdiInUniversalOrder } from '@yentrik/core'
import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  ArrayMinSize,
  IsArray,
  IsIn,
  IsInt,
  IsISO8601,
  IsObject,
  IsOptional,
  IsString,
  Length,
  Matches,
  Max,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator'
import { Nested } from '../errors/nested.ts'

class AuthorisationDto {
  @ApiProperty({ example: 'Mill Lane' }) @IsString() @Length(1, 120) clinic: string
  @ApiProperty({ example: 'Dr. Orla' }) @IsString() @Length(1, 120) prescriber: string
  /** A code, never a name. */
  @ApiProperty({ example: 'P-0417' }) @IsString() @Length(1, 40) patientCode: string
  @ApiPropertyOptional({ example: 67 }) @IsOptional() @IsInt() @Min(0) @Max(130) patientAge?: number
  @ApiProperty({ example: 'Upper complete denture' }) @IsString() @Length(1, 2000) wanted: string
  @ApiProperty({ type: [Number], example: [11, 21] })
  @IsArray()
  @ArrayMaxSize(32)
  @IsIn(fdiInUniversalOrder, { each: true })
  teeth: number[]
  @ApiPropertyOptional() @IsOptional() @IsString() @MaxLength(500) materials?: string
  @ApiPropertyOptional() @IsOptional() @IsString() @MaxLength(80) shade?: string
  @ApiProperty({ example: '2026-12-03T11:00:00.000Z' }) @IsISO8601({ strict: true }) dueAt: string
  @ApiPropertyOptional() @IsOptional() @IsISO8601({ strict: true }) tryInAt?: string
  @ApiProperty({ type: [String] })
  @IsArray()
  @ArrayMaxSize(50)
  @IsString({ each: true })
  @MaxLength(200, { each: true })
  enclosures: string[]
  @ApiPropertyOptional() @IsOptional() @IsString() @MaxLength(4000) notes?: string
}

export class AuthorisationChangesDto extends PartialType(AuthorisationDto) {}

class IntakeJobDto {
  @ApiProperty({ example: 'study-cast' }) @IsString() @Length(1, 80) templateId: string
  @ApiProperty({ type: Object, example: { arch: 'upper' } }) @IsObject() choices: Record<string, string>
}

export class IntakeDto {
  /** As scanned or pasted; left out, the lab's next number. */
  @ApiPropertyOptional({ example: 'K-2157' })
  @IsOptional()
  @Matches(/^[A-Za-z0-9][A-Za-z0-9-]{0,23}$/, {
    message: 'a docket code has letters, digits and hyphens, at most 24',
  })
  docket?: string

  @Nested(() => AuthorisationDto) authorisation: AuthorisationDto

  @ApiProperty({ type: [IntakeJobDto] })
  @IsArray()
  @ArrayMinSize(1)
  @ArrayMaxSize(8)
  @ValidateNested({ each: true })
  @Type(() => IntakeJobDto)
  jobs: IntakeJobDto[]
}
