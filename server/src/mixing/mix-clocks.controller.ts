import { Controller } from '@nestjs/common'
import { type Call, Handles } from '../shapes/handles.ts'
import { MixClocks } from './mix-clocks.service.ts'

@Controller()
export class MixClocksController {
  constructor(private readonly clocks: MixClocks) {}

  @Handles('GET /mixing/clocks')
  all() {
    return this.clocks.all()
  }

  @Handles('POST /mixing/clocks')
  start({ body, me }: Call<'POST /mixing/clocks'>) {
    return this.clocks.start(body, me.name)
  }

  @Handles('DELETE /mixing/clocks/:clockId')
  putAway({ path }: Call<'DELETE /mixing/clocks/:clockId'>) {
    return this.clocks.putAway(path.clockId)
  }

  @Handles('GET /mixing/remembered')
  async remembered({ query }: Call<'GET /mixing/remembered'>) {
    return { remembered: (await this.clocks.remembered(query)) ?? null }
  }
}
