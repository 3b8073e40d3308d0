import { Body, Controller, Get, HttpCode, Post, Sse } from '@nestjs/common'
import { ApiOperation, ApiProperty, ApiPropertyOptional, ApiTags } from '@nestjs/swagger'
import { IsIn, IsNumber, IsOptional, Max, Min } from 'class-validator'
import type { Observable } from 'rxjs'
import type { StandInHand } from './stand-in-balance.ts'
import { type DevicesState, WeighingService } from './weighing.service.ts'

class GiveDto {
  @ApiProperty({ example: 23 }) @IsNumber() @Min(0.1) @Max(2000) millilitres: number
}
const deeds = ['pour', 'stop', 'takeOut', 'clear', 'unplug', 'plugIn'] as const
class StandInHandDto {
  @ApiProperty({ enum: deeds }) @IsIn(deeds) does: StandInHand['does']
  @ApiPropertyOptional({ example: 8 }) @IsOptional() @IsNumber() @Min(0.1) @Max(100) gramsPerSecond?: number
  @ApiPropertyOptional({ example: 100 }) @IsOptional() @IsNumber() @Min(0.1) @Max(2000) upToGrams?: number
  @ApiPropertyOptional({ example: 3 }) @IsOptional() @IsNumber() @Min(0.1) @Max(2000) grams?: number
}

@ApiTags('devices')
@Controller('devices')
export class WeighingController {
  constructor(private readonly weighing: WeighingService) {}

  @Get()
  @ApiOperation({ summary: 'What balance and dispenser last said' })
  state(): DevicesState {
    return this.weighing.state()
  }

  @Sse('live')
  @ApiOperation({ summary: 'Balance and dispenser as they speak, as server-sent events' })
  stream(): Observable<{ type: string; data: object }> {
    return this.weighing.stream()
  }

  @Post('balance/tare')
  @HttpCode(204)
  @ApiOperation({ summary: 'Set the balance to zero with what stands on it' })
  tare(): void {
    this.weighing.tare()
  }

  @Post('balance/take')
  @HttpCode(200)
  @ApiOperation({ summary: 'The settled weight; 409 while it moves' })
  take(): { grams: number } {
    return this.weighing.take()
  }

  @Post('dispenser/give')
  @HttpCode(202)
  @ApiOperation({ summary: 'Give this much water' })
  give(@Body() { millilitres }: GiveDto): { order: number } {
    return this.weighing.give(millilitres)
  }

  @Post('stand-in/hand')
  @HttpCode(204)
  @ApiOperation({ summary: 'What a hand does at the stand-in balance; for demos and tests' })
  hand(@Body() { does, gramsPerSecond = 8, upToGrams, grams = 1 }: StandInHandDto): void {
    if (does === 'pour') this.weighing.hand({ does, gramsPerSecond, ...(upToGrams ? { upToGrams } : {}) })
    else if (does === 'takeOut') this.weighing.hand({ does, grams })
    else this.weighing.hand({ does })
  }
}
