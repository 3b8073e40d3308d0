import { Body, Controller, Get, HttpCode, Param, Post, Put } from '@nestjs/common'
import { ApiOperation, ApiProperty, ApiPropertyOptional, ApiTags } from '@nestjs/swagger'
import { type MaterialCard, materials, type RouteTemplate, routeTemplates } from '@yentrik/core'
import { Type } from 'class-transformer'
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsNumber,
  IsOptional,
  IsString,
  Length,
  Matches,
  Max,
  Min,
  ValidateNested,
} from 'class-validator'
import type { LotRow } from '../database/entities.ts'
import { plain } from '../database/plain.ts'
import { type CaseOfLot, type LotOnShelf, LotsService } from './lots.service.ts'
import { type ProductOnShelf, ShelfCards } from './shelf-cards.service.ts'

const Day = () =>
  Matches(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, {
    message: 'the expiry date is written YYYY-MM-DD',
  })

class NewLotDto {
  @ApiProperty({ example: 'dental-stone' }) @IsString() @Length(1, 80) materialId: string
  @ApiPropertyOptional() @IsOptional() @IsString() @Length(1, 80) productId?: string
  @ApiProperty({ example: '24-0817' }) @IsString() @Length(1, 60) @Matches(/\S/) number: string
  @ApiPropertyOptional({ example: '2028-05-01' }) @IsOptional() @Day() expiresOn?: string
  @ApiPropertyOptional({ example: 5000 })
  @IsOptional()
  @IsNumber()
  @Min(1)
  @Max(1_000_000)
  receivedGrams?: number
  @ApiPropertyOptional({ example: 500 })
  @IsOptional()
  @IsNumber()
  @Min(0)
  @Max(1_000_000)
  lowBelowGrams?: number
}
class LotUseDto {
  @ApiProperty() @IsBoolean() inUse: boolean
}
class QuarantineDto {
  @ApiProperty({ example: 'Set soft in two cases' }) @IsString() @Length(1, 500) @Matches(/\S/) reason: string
}

const Minutes = () => (target: object, key: string) => {
  ApiPropertyOptional({ example: 6 })(target, key)
  IsOptional()(target, key)
  IsNumber()(target, key)
}
class ProductClockDto {
  @Minutes() wettedMinutes?: number
  @Minutes() mixedMinutes?: number
  @Minutes() pourByMinutes?: number
  @Minutes() glossLossMinutes?: number
  @Minutes() setMinutes?: number
  @Minutes() heatPeakMinutes?: number
  @Minutes() separateMinutes?: number
  @Minutes() trimFromMinutes?: number
  @Minutes() useWithinMinutes?: number
  @Minutes() dryMinutes?: number
}
class ExpansionPointDto {
  @ApiProperty({ example: 60 }) @IsNumber() specialLiquidPercent: number
  @ApiProperty({ example: 1.1 }) @IsNumber() expansionPercent: number
  @ApiPropertyOptional({ example: 1.1, description: 'At the peak of the burnout' })
  @IsOptional()
  @IsNumber()
  thermalPercent?: number
}
class ThermalPointDto {
  @ApiProperty({ example: 270 }) @IsNumber() celsius: number
  @ApiProperty({ example: 0.68 }) @IsNumber() expansionPercent: number
}
class ProductDto {
  @ApiProperty({ example: 'high-strength-stone' }) @IsString() @Length(1, 80) materialId: string
  @ApiProperty({ example: 'Blue die stone' }) @IsString() @Length(0, 80) name: string
  @ApiPropertyOptional({ example: 0.2 }) @IsOptional() @IsNumber() millilitresPerGram?: number
  @ApiPropertyOptional({ example: 100 }) @IsOptional() @IsNumber() bagGrams?: number
  @ApiPropertyOptional() @IsOptional() @IsNumber() densityGramsPerCm3?: number
  @ApiPropertyOptional() @IsOptional() @ValidateNested() @Type(() => ProductClockDto) clock?: ProductClockDto
  @ApiPropertyOptional({ type: [ExpansionPointDto] })
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(40)
  @ValidateNested({ each: true })
  @Type(() => ExpansionPointDto)
  settingExpansion?: ExpansionPointDto[]
  @ApiPropertyOptional({ type: [ThermalPointDto] })
  @IsOptional()
  @IsArray()
  @ArrayMaxSize(40)
  @ValidateNested({ each: true })
  @Type(() => ThermalPointDto)
  thermalCurve?: ThermalPointDto[]
  @ApiPropertyOptional({ example: 850 }) @IsOptional() @IsNumber() peakCelsius?: number
  @ApiPropertyOptional({ example: false }) @IsOptional() @IsBoolean() hotEntry?: boolean
  @ApiPropertyOptional({ example: 1.2 }) @IsOptional() @IsNumber() hygroscopicPercent?: number
  @ApiPropertyOptional({ example: -0.02, description: 'Setting expansion, % for each 0.01 mL/g more' })
  @IsOptional()
  @IsNumber()
  settingPercentPerRatioStep?: number
  @ApiPropertyOptional({ example: 2.3 }) @IsOptional() @IsNumber() castingShrinkagePercent?: number
  @ApiPropertyOptional({ example: 1380 }) @IsOptional() @IsNumber() castingFromCelsius?: number
  @ApiPropertyOptional({ example: 1420 }) @IsOptional() @IsNumber() castingToCelsius?: number
  @ApiProperty({ example: 'the pack' }) @IsString() @Length(0, 200) source: string
}

@ApiTags('materials')
@Controller()
export class MaterialsController {
  constructor(
    private readonly lots: LotsService,
    private readonly shelf: ShelfCards,
  ) {}

  @Get('materials')
  @ApiOperation({ summary: 'Material cards with their sources' })
  cards(): MaterialCard[] {
    return [...materials.values()]
  }

  @Get('products')
  @ApiOperation({
    summary: "The lab's products: the class each inherits from, its card, what is out of class",
  })
  products(): Promise<ProductOnShelf[]> {
    return this.shelf.products()
  }

  @Post('products')
  @ApiOperation({ summary: 'A new product' })
  add(@Body() product: ProductDto): Promise<ProductOnShelf> {
    return this.shelf.keep(plain(product))
  }

  @Put('products/:productId')
  @ApiOperation({ summary: 'Change what the pack of a product says' })
  change(@Param('productId') productId: string, @Body() product: ProductDto): Promise<ProductOnShelf> {
    return this.shelf.keep(plain(product), productId)
  }

  @Get('route-templates')
  @ApiOperation({ summary: 'Route templates: every job, step, check and variant' })
  templates(): RouteTemplate[] {
    return [...routeTemplates.values()]
  }

  @Get('lots')
  @ApiOperation({ summary: 'Lots on the shelf with what is left of them' })
  all(): Promise<LotOnShelf[]> {
    return this.lots.all()
  }

  @Post('lots')
  @ApiOperation({ summary: 'Take a lot onto the shelf' })
  receive(@Body() lot: NewLotDto): Promise<LotRow> {
    return this.lots.receive(lot)
  }

  @Post('lots/:lotId/use')
  @HttpCode(204)
  @ApiOperation({ summary: 'Mark a lot used up, or in use again' })
  use(@Param('lotId') lotId: string, @Body() { inUse }: LotUseDto): Promise<void> {
    return this.lots.setInUse(lotId, inUse)
  }

  @Post('lots/:lotId/open')
  @HttpCode(204)
  @ApiOperation({ summary: 'The pack was opened today' })
  open(@Param('lotId') lotId: string): Promise<void> {
    return this.lots.open(lotId)
  }

  @Post('lots/:lotId/quarantine')
  @HttpCode(204)
  @ApiOperation({ summary: 'Nobody may use this lot until it is released' })
  quarantine(@Param('lotId') lotId: string, @Body() { reason }: QuarantineDto): Promise<void> {
    return this.lots.quarantine(lotId, reason.trim())
  }

  @Post('lots/:lotId/release')
  @HttpCode(204)
  @ApiOperation({ summary: 'The lot may be used again' })
  release(@Param('lotId') lotId: string): Promise<void> {
    return this.lots.quarantine(lotId, null)
  }

  @Get('lots/:lotId/cases')
  @ApiOperation({ summary: 'The cases that used a lot, the open ones first' })
  casesOf(@Param('lotId') lotId: string): Promise<CaseOfLot[]> {
    return this.lots.casesOf(lotId)
  }
}
