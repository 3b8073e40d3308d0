import { Controller } from '@nestjs/common'
import { checkToothSet, type ToothSet } from '@yentrik/core'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { LiveService } from '../live/live.service.ts'
import { type Call, Handles } from '../shapes/handles.ts'

/** The lab's own list of tooth sets, under the names that it gives them. None is shipped. */
@Controller()
export class ToothSetsController {
  constructor(
    private readonly settings: LabSettingsService,
    private readonly live: LiveService,
  ) {}

  @Handles('GET /tooth-sets')
  all() {
    return this.settings.list<ToothSet>('tooth-sets')
  }

  @Handles('PUT /tooth-sets/:name')
  async keep({ path, body }: Call<'PUT /tooth-sets/:name'>) {
    const set: ToothSet = { ...body, name: path.name.trim() }
    checkToothSet(set)
    await this.settings.changeList<ToothSet>('tooth-sets', (sets) => [
      ...sets.filter((each) => each.name !== set.name),
      set,
    ])
    this.live.announce({ kind: 'lab' })
    return set
  }

  @Handles('DELETE /tooth-sets/:name')
  async drop({ path }: Call<'DELETE /tooth-sets/:name'>) {
    await this.settings.changeList<ToothSet>('tooth-sets', (sets) =>
      sets.filter((each) => each.name !== path.name),
    )
    this.live.announce({ kind: 'lab' })
  }
}
