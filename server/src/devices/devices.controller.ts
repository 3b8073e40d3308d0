import { Controller, Req, Sse } from '@nestjs/common'
import { ApiOperation, ApiTags } from '@nestjs/swagger'
import type { DevicesState } from '@yentrik/contract'
import type { Observable } from 'rxjs'
import { Refusal } from '../errors/problem.filter.ts'
import { StreamBound, type WithPerson } from '../live/stream-bound.ts'
import { type Call, Handles } from '../shapes/handles.ts'
import { DevicesService } from './devices.service.ts'

@Controller()
export class DevicesController {
  constructor(
    private readonly devices: DevicesService,
    private readonly bound: StreamBound,
  ) {}

  @Handles('GET /devices')
  state(): DevicesState {
    return this.devices.state()
  }

  @Sse('devices/live')
  @ApiTags('devices')
  @ApiOperation({ summary: 'Balance, dispenser and press as they speak, as server-sent events' })
  stream(@Req() { person }: WithPerson): Observable<{ type: string; data: object }> {
    return this.bound.of(person.personId, this.devices.stream())
  }

  @Handles('POST /devices/balance/tare')
  tare() {
    this.devices.tare()
  }

  @Handles('POST /devices/balance/take')
  take() {
    return this.devices.take()
  }

  @Handles('POST /devices/dispenser/give')
  give({ body }: Call<'POST /devices/dispenser/give'>) {
    return this.devices.give(body.millilitres)
  }

  @Handles('POST /devices/stand-in/balance')
  controlBalance({ body }: Call<'POST /devices/stand-in/balance'>) {
    const { does, gramsPerSecond = 8, upToGrams, grams = 1 } = body
    if (does === 'pour')
      this.devices.controlBalance({ does, gramsPerSecond, ...(upToGrams ? { upToGrams } : {}) })
    else if (does === 'takeOut') this.devices.controlBalance({ does, grams })
    else this.devices.controlBalance({ does })
  }

  @Handles('POST /devices/press/take')
  takePress() {
    return this.devices.takePress()
  }

  @Handles('POST /devices/spectrophotometer/white')
  white() {
    return this.devices.spectrophotometer.white()
  }

  @Handles('POST /devices/spectrophotometer/read')
  readColour() {
    return this.devices.spectrophotometer.read()
  }

  @Handles('POST /devices/stand-in/spectrophotometer')
  controlSpectrophotometer({ body }: Call<'POST /devices/stand-in/spectrophotometer'>) {
    const { does, colour, specular } = body
    if (does === 'put') {
      if (!colour)
        throw new Refusal(422, 'colour-missing', 'No colour was put under it.', 'Give L, a and b.', {
          field: 'colour',
        })
      this.devices.controlSpectrophotometer({ does, colour })
    } else if (does === 'specular')
      this.devices.controlSpectrophotometer({ does, specular: specular ?? 'excluded' })
    else this.devices.controlSpectrophotometer({ does })
  }

  @Handles('POST /devices/stand-in/press')
  controlPress({ body }: Call<'POST /devices/stand-in/press'>) {
    const { does, kilopascalsPerSecond = 250, upToKilopascals } = body
    if (does === 'close')
      this.devices.controlPress({
        does,
        kilopascalsPerSecond,
        ...(upToKilopascals ? { upToKilopascals } : {}),
      })
    else this.devices.controlPress({ does })
  }
}
