import { Controller } from '@nestjs/common'
import { type Call, Handles } from '../shapes/handles.ts'
import { Backups } from './backups.service.ts'

@Controller()
export class BackupsController {
  constructor(private readonly backups: Backups) {}

  @Handles('GET /backups')
  state() {
    return this.backups.state()
  }

  @Handles('POST /backups')
  async make(_: Call<'POST /backups'>) {
    await this.backups.make()
    return this.backups.state()
  }
}
