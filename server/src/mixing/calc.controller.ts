import { Body, Controller, HttpCode, Post } from '@nestjs/common'
import { ApiOperation, ApiProperty, ApiPropertyOptional, ApiTags } from '@nestjs/swagger'
import {
  correctMix,
  type Mix,
  type MixCorrection,
  type MixGiven,
  mixParts,
  type SetGypsum,
  setGypsum,
} from '@yentrik/core'
import { IsBoolean, IsIn, IsNumber, IsOptional } from 'class-validator'
import { Public } from '../people/session.guard.ts'

const givens = ['powder', 'liquid', 'total', 'bags'] as const
class MixDto {
  @ApiProperty({ enum: givens, example: 'powder' }) @IsIn(givens) from: MixGiven['from']
  @ApiProperty({ example: 0.23 }) @IsNumber() millilitresPerGram: number
  @ApiPropertyOptional({ example: 100 }) @IsOptional() @IsNumber() powderGrams?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() liquidMillilitres?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() totalGrams?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() liquidGramsPerMillilitre?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() bags?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() bagGrams?: number
}
class MixCorrectionDto {
  @ApiProperty({ example: 110 }) @IsNumber() powderGrams: number
  @ApiProperty({ example: 24 }) @IsNumber() liquidMillilitres: number
  @ApiProperty({ example: 0.24 }) @IsNumber() millilitresPerGram: number
  @ApiProperty({ example: 0.02 }) @IsNumber() toleranceFraction: number
  @ApiProperty({ example: false }) @IsBoolean() thickening: boolean
  @ApiProperty({ example: 1 }) @IsNumber() liquidGramsPerMillilitre: number
  @ApiPropertyOptional({ example: 500 }) @IsOptional() @IsNumber() bowlGrams?: number
}
class GypsumDto {
  @ApiProperty({ example: 0.24 }) @IsNumber() millilitresPerGram: number
  @ApiPropertyOptional({ example: 0.001 }) @IsOptional() @IsNumber() expansionFraction?: number
  @ApiPropertyOptional({ example: 0.01 }) @IsOptional() @IsNumber() airFraction?: number
}

/** Every calculator for other programs: the same core function as on the screens. */
@ApiTags('calc')
@Public()
@Controller('calc')
export class CalcController {
  @Post('mix')
  @HttpCode(200)
  @ApiOperation({ summary: 'Powder and liquid from the part that is known' })
  mix(@Body() { millilitresPerGram, ...given }: MixDto): Mix {
    // The core refuses, by name, a part that was left out.
    return mixParts({ ...given } as MixGiven, millilitresPerGram)
  }

  @Post('mix-correction')
  @HttpCode(200)
  @ApiOperation({ summary: 'What to add to a mix that missed its ratio, or start again' })
  correction(@Body() bowl: MixCorrectionDto): MixCorrection {
    return correctMix(bowl)
  }

  @Post('gypsum')
  @HttpCode(200)
  @ApiOperation({ summary: 'Volume, pores and density of set gypsum' })
  gypsum(@Body() mix: GypsumDto): SetGypsum {
    return setGypsum(mix)
  }
}
