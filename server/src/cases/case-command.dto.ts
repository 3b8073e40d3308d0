import { ApiProperty, ApiPropertyOptional } from '@nestjs/swagger'
import type { CaseCommand, DentistDecision } from '@yentrik/core'
import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsISO8601,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Length,
  MaxLength,
  Min,
  ValidateNested,
} from 'class-validator'
import { AuthorisationChangesDto } from './intake.dto.ts'
import { SheetDto, sheetShapes } from './sheet.dto.ts'

const IdOf = () => Length(1, 80)
const Words = () => MaxLength(2000)

const commandTypes = [
  'startStep',
  'finishStep',
  'skipStep',
  'recordCheck',
  'recordMix',
  'recordSheet',
  'goBack',
  'correct',
  'note',
  'swapVariant',
  'hold',
  'release',
  'askDentist',
  'dentistAnswered',
  'amend',
] as const satisfies readonly CaseCommand['type'][]

export class CommandDto {
  @ApiProperty({ enum: commandTypes }) @IsIn(commandTypes) type: CaseCommand['type']
}
class OnStepDto extends CommandDto {
  @ApiProperty({ example: 'job-1' }) @IsString() @IdOf() jobId: string
  @ApiProperty({ example: 'pour-anatomy' }) @IsString() @IdOf() stepId: string
}
/** startStep, finishStep */
class MoveStepDto extends OnStepDto {
  @ApiPropertyOptional() @IsOptional() @IsString() @Words() outOfTimeReason?: string
}
class SkipStepDto extends OnStepDto {
  @ApiProperty() @IsString() @Words() reason: string
}
class RecordCheckDto extends OnStepDto {
  @ApiProperty() @IsString() @IdOf() checkId: string
  @ApiPropertyOptional() @IsOptional() @IsNumber() value?: number
  @ApiPropertyOptional() @IsOptional() @IsString() @Words() answer?: string
}
class RecordMixDto extends OnStepDto {
  @ApiProperty() @IsString() @IdOf() amountId: string
  @ApiProperty() @IsString() @IdOf() materialId: string
  @ApiPropertyOptional() @IsOptional() @IsNumber() powderGrams?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() liquidMillilitres?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() powderParts?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() liquidParts?: number
  @ApiProperty({ type: [String] }) @IsArray() @ArrayMaxSize(20) @IsString({ each: true }) lots: string[]
  @ApiPropertyOptional() @IsOptional() @IsString() @Length(1, 120) product?: string
  @ApiPropertyOptional() @IsOptional() @IsISO8601({ strict: true }) metAt?: string
  @ApiPropertyOptional({ enum: ['balance', 'hand'] })
  @IsOptional()
  @IsIn(['balance', 'hand'])
  powderFrom?: 'balance' | 'hand'
  @ApiPropertyOptional({ enum: ['dispenser', 'hand'] })
  @IsOptional()
  @IsIn(['dispenser', 'hand'])
  liquidFrom?: 'dispenser' | 'hand'
}
class RecordSheetDto extends OnStepDto {
  @ApiProperty({ example: 'parts-list' }) @IsString() @IdOf() sheetId: string
  @ApiProperty({ type: SheetDto })
  @IsObject()
  @ValidateNested()
  @Type(() => SheetDto, {
    discriminator: { property: 'kind', subTypes: sheetShapes },
    keepDiscriminatorProperty: true,
  })
  sheet: SheetDto
}
class GoBackDto extends CommandDto {
  @ApiProperty() @IsString() @IdOf() jobId: string
  @ApiProperty() @IsString() @IdOf() toStepId: string
  @ApiProperty() @IsBoolean() remake: boolean
  @ApiProperty() @IsString() @Words() reason: string
}
class CorrectDto extends CommandDto {
  @ApiProperty() @IsInt() @Min(1) corrects: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() value?: number
  @ApiPropertyOptional() @IsOptional() @IsString() @Words() answer?: string
  @ApiPropertyOptional() @IsOptional() @IsNumber() powderGrams?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() liquidMillilitres?: number
  @ApiProperty() @IsString() @Words() reason: string
}
class NoteDto extends CommandDto {
  @ApiPropertyOptional() @IsOptional() @IsString() @IdOf() jobId?: string
  @ApiPropertyOptional() @IsOptional() @IsString() @IdOf() stepId?: string
  @ApiProperty() @IsString() @Words() text: string
}
class SwapVariantDto extends CommandDto {
  @ApiProperty() @IsString() @IdOf() jobId: string
  @ApiProperty() @IsString() @IdOf() matter: string
  @ApiProperty() @IsString() @IdOf() choice: string
  @ApiProperty() @IsString() @Words() reason: string
}
class HoldDto extends CommandDto {
  @ApiProperty() @IsString() @Words() reason: string
}
class AskDentistDto extends CommandDto {
  @ApiProperty() @IsString() @IdOf() jobId: string
  @ApiPropertyOptional() @IsOptional() @IsString() @IdOf() stepId?: string
  @ApiProperty() @IsString() @Words() question: string
}
const decisions = ['proceed', 'goBack', 'remake', 'end'] as const
class DentistAnsweredDto extends CommandDto {
  @ApiProperty() @IsString() @IdOf() jobId: string
  @ApiProperty() @IsString() @Words() answer: string
  @ApiProperty({ enum: decisions }) @IsIn(decisions) decision: DentistDecision
  @ApiPropertyOptional() @IsOptional() @IsString() @IdOf() toStepId?: string
}
class AmendDto extends CommandDto {
  @ApiProperty({ type: AuthorisationChangesDto })
  @IsObject()
  @ValidateNested()
  @Type(() => AuthorisationChangesDto)
  changes: AuthorisationChangesDto
  @ApiProperty() @IsString() @Words() reason: string
}

/** Which shape each command has. */
export const commandShapes = [
  { name: 'startStep', value: MoveStepDto },
  { name: 'finishStep', value: MoveStepDto },
  { name: 'skipStep', value: SkipStepDto },
  { name: 'recordCheck', value: RecordCheckDto },
  { name: 'recordMix', value: RecordMixDto },
  { name: 'recordSheet', value: RecordSheetDto },
  { name: 'goBack', value: GoBackDto },
  { name: 'correct', value: CorrectDto },
  { name: 'note', value: NoteDto },
  { name: 'swapVariant', value: SwapVariantDto },
  { name: 'hold', value: HoldDto },
  { name: 'release', value: CommandDto },
  { name: 'askDentist', value: AskDentistDto },
  { name: 'dentistAnswered', value: DentistAnsweredDto },
  { name: 'amend', value: AmendDto },
]

/** A command, and the last event that the person had seen when giving it. */
export class CommandRequestDto {
  @ApiProperty({
    example: 12,
    description: 'Sequence of the last event seen; a later one on record answers 409',
  })
  @IsInt()
  @Min(1)
  seen: number

  @ApiProperty({ type: CommandDto, example: { type: 'startStep', jobId: 'job-1', stepId: 'pour-anatomy' } })
  @IsObject()
  @ValidateNested()
  @Type(() => CommandDto, {
    discriminator: { property: 'type', subTypes: commandShapes },
    keepDiscriminatorProperty: true,
  })
  command: CommandDto
}
