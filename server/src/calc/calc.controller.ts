import { Body, Controller, HttpCode, Param, Post, Req } from '@nestjs/common'
import { ApiExcludeEndpoint } from '@nestjs/swagger'
import type { Request } from 'express'
import { Public } from '../shapes/public.ts'
import { CalcService } from './calc.service.ts'

/** Every calculator for other programs: the same core function as on the screens. Described by `describeCalculators`. */
@Public()
@Controller('calc')
export class CalcController {
  constructor(private readonly calc: CalcService) {}

  @Post(':name')
  @HttpCode(200)
  @ApiExcludeEndpoint()
  work(@Param('name') name: string, @Body() input: unknown, @Req() request: Request): Promise<object> {
    const gone = new AbortController()
    request.res?.once('close', () => gone.abort())
    return this.calc.work(name, input, gone.signal)
  }
}
