import { Body, Controller, Get, HttpCode, Post, Sse } from '@nestjs/common'
import { ApiOperation, ApiProperty, ApiPropertyOptional, ApiTags } from '@nestjs/swagger'
import { IsIn, IsNumber, IsOptional, Max, Min } from 'class-validator'
import type { Observable } from 'rxjs'
import { DevicesService, type DevicesState } from './devices.service.ts'
import type { StandInHand } from './stand-in-balance.ts'
import type { PressHand } from './stand-in-press.ts'

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
const presses = ['close', 'stop', 'letOff', 'unplug', 'plugIn'] as const
class PressHandDto {
  @ApiProperty({ enum: presses }) @IsIn(presses) does: PressHand['does']
  @ApiPropertyOptional({ example: 250 })
  @IsOptional()
  @IsNumber()
  @Min(1)
  @Max(5000)
  kilopascalsPerSecond?: number
  @ApiPropertyOptional({ example: 12_000 })
  @IsOptional()
  @IsNumber()
  @Min(1)
  @Max(69_000)
  upToKilopascals?: number
}

@ApiTags('devices')
@Controller('devices')
export class DevicesController {
  constructor(private readonly devices: DevicesService) {}

  @Get()
  @ApiOperation({ summary: 'What balance, dispenser and press last said' })
  state(): DevicesState {
    return this.devices.state()
  }

  @Sse('live')
  @ApiOperation({ summary: 'Balance, dispenser and press as they speak, as server-sent events' })
  stream(): Observable<{ type: string; data: object }> {
    return this.devices.stream()
  }

  @Post('balance/tare')
  @HttpCode(204)
  @ApiOperation({ summary: 'Set the balance to zero with what stands on it' })
  tare(): void {
    this.devices.tare()
  }

  @Post('balance/take')
  @HttpCode(200)
  @ApiOperation({ summary: 'The settled weight; 409 while it moves' })
  take(): { grams: number } {
    return this.devices.take()
  }

  @Post('dispenser/give')
  @HttpCode(202)
  @ApiOperation({ summary: 'Give this much water' })
  give(@Body() { millilitres }: GiveDto): { order: number } {
    return this.devices.give(millilitres)
  }

  @Post('stand-in/hand')
  @HttpCode(204)
  @ApiOperation({ summary: 'What a hand does at the stand-in balance; for demos and tests' })
  hand(@Body() { does, gramsPerSecond = 8, upToGrams, grams = 1 }: StandInHandDto): void {
    if (does === 'pour') this.devices.hand({ does, gramsPerSecond, ...(upToGrams ? { upToGrams } : {}) })
    else if (does === 'takeOut') this.devices.hand({ does, grams })
    else this.devices.hand({ does })
  }

  @Post('press/take')
  @HttpCode(200)
  @ApiOperation({ summary: 'The reading of the press once it holds; 409 while it moves' })
  takePress(): { kilopascals: number } {
    return this.devices.takePress()
  }

  @Post('stand-in/press')
  @HttpCode(204)
  @ApiOperation({ summary: 'What a hand does at the stand-in press; for demos and tests' })
  pressHand(@Body() { does, kilopascalsPerSecond = 250, upToKilopascals }: PressHandDto): void {
    if (does === 'close')
      this.devices.pressHand({
        does,
        kilopascalsPerSecond,
        ...(upToKilopascals ? { upToKilopascals } : {}),
      })
    else this.devices.pressHand({ does })
  }
}
