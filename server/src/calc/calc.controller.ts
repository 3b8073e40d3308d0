import { Body, Controller, HttpCode, Post } from '@nestjs/common'
import { ApiOperation, ApiProperty, ApiPropertyOptional, ApiTags } from '@nestjs/swagger'
import {
  alloyGrams,
  type ConcentrationAnswer,
  checkArrangement,
  concentrationFor,
  coreReady,
  correctMix,
  cure,
  cureVerdict,
  DomainError,
  exactly,
  feedCheck,
  type Mix,
  type MixCorrection,
  type MixGiven,
  materials,
  mixForVolume,
  mixParts,
  moveJaw,
  type PairPlan,
  packsNeeded,
  patternCm3,
  planPair,
  planSetUp,
  type SetGypsum,
  type SetUpEntry,
  type SetUpPlan,
  type Space,
  setGypsum,
  setStone,
  spaceCm3,
  toothOpening,
  travelDirection,
  usualFlask,
  usualJobs,
  usualPowderGrams,
} from '@yentrik/core'
import { IsBoolean, IsIn, IsInt, IsNumber, IsOptional, IsString, Length } from 'class-validator'
import { AlloyDto, BurnoutDto, ExpansionDto, SprueDto } from '../casting/casting.dto.ts'
import { CureDto } from '../curing/curing.dto.ts'
import { plain } from '../database/plain.ts'
import { ArticulatorQuestionDto } from '../mounting/articulator.dto.ts'
import { Public } from '../people/session.guard.ts'
import { SetUpEntryDto } from '../setup/set-up.dto.ts'
import { PairEntryDto } from '../trimming/trim.dto.ts'

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

const amountFroms = ['job', 'space', 'volume'] as const
const sizes = ['small', 'medium', 'large'] as const
class AmountDto {
  @ApiProperty({ enum: amountFroms, example: 'volume' }) @IsIn(amountFroms) from: (typeof amountFroms)[number]
  @ApiProperty({ example: 'high-strength-stone' }) @IsString() @Length(1, 80) materialId: string
  @ApiPropertyOptional({ example: 0.24, description: 'Left out: the usual ratio of the material' })
  @IsOptional()
  @IsNumber()
  millilitresPerGram?: number
  @ApiPropertyOptional({ enum: usualJobs.map(({ id }) => id) }) @IsOptional() @IsString() jobId?: string
  @ApiPropertyOptional({ enum: sizes }) @IsOptional() @IsIn(sizes) size?: (typeof sizes)[number]
  @ApiPropertyOptional() @IsOptional() @IsInt() count?: number
  @ApiPropertyOptional({ example: 60 }) @IsOptional() @IsNumber() cm3?: number
  @ApiPropertyOptional({ enum: ['block', 'cylinder', 'base'] })
  @IsOptional()
  @IsIn(['block', 'cylinder', 'base'])
  shape?: Space['shape']
  @ApiPropertyOptional() @IsOptional() @IsNumber() lengthMillimetres?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() widthMillimetres?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() diameterMillimetres?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() heightMillimetres?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() insideCm3?: number
  @ApiPropertyOptional({ enum: ['upper', 'lower'], description: 'Of a base' })
  @IsOptional()
  @IsIn(['upper', 'lower'])
  arch?: 'upper' | 'lower'
  @ApiPropertyOptional({ example: 2.5, description: 'Of a base' })
  @IsOptional()
  @IsNumber()
  thicknessMillimetres?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() areaCm2?: number
  @ApiPropertyOptional({ example: 0.01 }) @IsOptional() @IsNumber() airFraction?: number
  @ApiPropertyOptional({ example: 0.1 }) @IsOptional() @IsNumber() wasteFraction?: number
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

  @Post('amount')
  @HttpCode(200)
  @ApiOperation({ summary: 'How much to mix: for a usual job, a space by its sides, or a volume' })
  amount(@Body() asked: AmountDto): Mix & { bags?: number } {
    const card = materials.get(asked.materialId)
    if (card?.measure?.by !== 'mass')
      throw new DomainError(
        'no-ratio',
        `${card?.name ?? asked.materialId} is no material that is weighed.`,
        'Choose one from /api/materials that has a ratio.',
        'materialId',
      )
    const millilitresPerGram = asked.millilitresPerGram ?? card.measure.usualMillilitresPerGram
    const mix =
      asked.from === 'job'
        ? mixParts(
            {
              from: 'powder',
              powderGrams: usualPowderGrams(asked.jobId ?? '', asked.size ?? 'medium', asked.count),
            },
            millilitresPerGram,
          )
        : mixForVolume(card, {
            cm3:
              asked.from === 'space' ? spaceCm3(plain(asked) as unknown as Space) : (asked.cm3 ?? Number.NaN),
            millilitresPerGram,
            airFraction: asked.airFraction,
            wasteFraction: asked.wasteFraction,
          })
    const { bagGrams } = card.measure
    return { ...mix, ...(bagGrams ? { bags: packsNeeded(mix.powderGrams, bagGrams) } : {}) }
  }

  @Post('trim')
  @HttpCode(200)
  @ApiOperation({ summary: 'Every cut of a pair of study models from their landmarks' })
  trim(@Body() entry: PairEntryDto): PairPlan {
    return planPair(plain(entry))
  }

  @Post('set-up')
  @HttpCode(200)
  @ApiOperation({ summary: 'Where every tooth goes, from the rim, the ridge and a set of teeth' })
  setUp(@Body() entry: SetUpEntryDto): SetUpPlan {
    // The core refuses natural lowers without their heights.
    return planSetUp(plain(entry) as unknown as SetUpEntry)
  }

  @Post('alloy')
  @HttpCode(200)
  @ApiOperation({ summary: 'Alloy to melt for patterns and a button' })
  alloy(@Body() { parts, alloyGramsPerCm3, buttonGrams }: AlloyDto): object {
    return { alloyGrams: alloyGrams(parts, alloyGramsPerCm3, buttonGrams), patternCm3: patternCm3(parts) }
  }

  @Post('expansion')
  @HttpCode(200)
  @ApiOperation({ summary: 'The special-liquid concentration that gives a fit, or what is missing' })
  expansion(@Body() { die, gapMillimetres, ...budget }: ExpansionDto): ConcentrationAnswer {
    return concentrationFor(budget, die, gapMillimetres ?? die.spacerMillimetres)
  }

  @Post('sprue')
  @HttpCode(200)
  @ApiOperation({ summary: 'Whether a sprue feeds its pattern, and how the pattern stands in its ring' })
  sprue(@Body() { sprueMillimetres, sectionMillimetres, ...arrangement }: SprueDto): object {
    return {
      feed: feedCheck(sprueMillimetres, sectionMillimetres),
      lines: checkArrangement({ ...arrangement }),
    }
  }

  @Post('burnout')
  @HttpCode(200)
  @ApiOperation({ summary: 'When the core of a ring is ready, as a range, minutes from putting it in' })
  burnout(@Body() { binder, ring, startCelsius, segments }: BurnoutDto): object {
    const { castFromMinutes, programMinutes, heats } = coreReady(ring, binder, { startCelsius, segments })
    const { waterGoneMinutes } = heats.typical
    return { programMinutes, castFromMinutes, waterGoneMinutes, typical: heats.typical.curve }
  }

  @Post('cure')
  @HttpCode(200)
  @ApiOperation({
    summary: 'What a bath does inside the resin: peak, boiling, monomer left, when it is cold',
  })
  cure(@Body() { sections, program, waterPowderRatio }: CureDto): object {
    const flask =
      waterPowderRatio === undefined ? usualFlask : { ...usualFlask, stone: setStone(waterPowderRatio) }
    const followed = sections.map((section) => ({
      section,
      outcome: cure({ section, program, flask }, exactly),
    }))
    if (followed.length === 0)
      throw new DomainError('too-few-places', 'No section was named.', 'Name one place or more.', 'sections')
    const { standing, say } = cureVerdict(followed)
    return { standing, say, sections: followed }
  }

  @Post('articulator')
  @HttpCode(200)
  @ApiOperation({
    summary: 'Where a lower point goes in a movement, which way it travels, and what the pin does there',
  })
  articulator(@Body() { articulator, point, ...movement }: ArticulatorQuestionDto): object {
    return {
      moved: moveJaw(articulator, movement).move(point),
      travel: travelDirection(articulator, movement, point),
      ...(movement.pinMillimetres
        ? { atPin: toothOpening(articulator, movement.pinMillimetres, point) }
        : {}),
    }
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
