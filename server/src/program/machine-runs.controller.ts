import { Body, Controller, Get, HttpCode, Param, Post } from '@nestjs/common'
import { ApiOperation, ApiProperty, ApiPropertyOptional, ApiTags } from '@nestjs/swagger'
import { DomainError, type MachineTrouble, programMinutes, type TemperatureProgram } from '@yentrik/core'
import { IsIn, IsNumber, IsOptional, IsString, Length, Max, Min } from 'class-validator'
import { plain } from '../database/plain.ts'
import { Nested, NestedList } from '../errors/nested.ts'
import type { Person } from '../people/people.service.ts'
import { Me } from '../people/session.guard.ts'
import { MachineRuns, type RunShown } from './machine-runs.service.ts'
import { ProgramDto } from './program.dto.ts'

class LoadDto {
  @ApiProperty() @IsString() @Length(1, 80) caseId: string
  @ApiProperty({ example: 'job-1' }) @IsString() @Length(1, 80) jobId: string
  @ApiProperty({ example: 'burnout' }) @IsString() @Length(1, 80) stepId: string
}
const machineKinds = ['furnace', 'bath'] as const
class NewRunDto {
  @ApiProperty({ enum: machineKinds }) @IsIn(machineKinds) kind: (typeof machineKinds)[number]
  @ApiProperty({ example: 'Furnace' }) @IsString() @Length(1, 80) machine: string
  @Nested(() => ProgramDto) program: ProgramDto
  @NestedList(() => LoadDto, 60) loads: LoadDto[]
}
const troubles = ['powerCut', 'doorOpen', 'drift'] as const satisfies readonly MachineTrouble['kind'][]
class TroubleDto {
  @ApiProperty({ enum: troubles }) @IsIn(troubles) kind: MachineTrouble['kind']
  @ApiPropertyOptional({ example: 20 }) @IsOptional() @IsNumber() @Min(0.1) @Max(1440) minutes?: number
  @ApiPropertyOptional({ example: 10 }) @IsOptional() @IsNumber() @Min(-200) @Max(200) celsiusPerHour?: number
}

@ApiTags('devices')
@Controller('machine-runs')
export class MachineRunsController {
  constructor(private readonly runs: MachineRuns) {}

  @Get()
  @ApiOperation({ summary: 'What the machines run or ran within a day, with what they show' })
  all(): Promise<RunShown[]> {
    return this.runs.all()
  }

  @Post()
  @ApiOperation({ summary: 'Start a program on a machine' })
  start(@Body() { kind, machine, program, loads }: NewRunDto, @Me() me: Person): Promise<RunShown> {
    const set = plain(program) as TemperatureProgram
    const minutes = programMinutes(set)
    if (set.segments.length === 0 || !(minutes > 0 && minutes <= 24 * 60))
      throw new DomainError(
        'segment',
        'That program cannot be run.',
        'Enter rates above 0, and a day at most in all.',
        'program',
      )
    return this.runs.start(kind, machine.trim(), set, plain(loads), me.name)
  }

  @Post(':runId/stop')
  @HttpCode(200)
  @ApiOperation({ summary: 'Take the work out and stop the machine' })
  stop(@Param('runId') runId: string): Promise<RunShown> {
    return this.runs.stop(runId)
  }

  @Get(':runId/second-thermometer')
  @ApiOperation({ summary: 'What a second thermometer in the chamber reads, beside what the machine shows' })
  secondThermometer(@Param('runId') runId: string): Promise<{ celsius: number; shownCelsius: number }> {
    return this.runs.secondThermometer(runId)
  }

  @Post(':runId/troubles')
  @HttpCode(204)
  @ApiOperation({ summary: 'What goes wrong with the stand-in from now on; for demos and tests' })
  trouble(@Param('runId') runId: string, @Body() { kind, minutes = 20, celsiusPerHour = 10 }: TroubleDto) {
    return this.runs.trouble(runId, (fromMinutes) =>
      kind === 'drift' ? { kind, fromMinutes, celsiusPerHour } : { kind, fromMinutes, minutes },
    )
  }
}
