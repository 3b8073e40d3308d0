import { Controller } from '@nestjs/common'
import { checkEquipment, type LabEquipment } from '@yentrik/core'
import { Refusal } from '../errors/problem.filter.ts'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { LiveService } from '../live/live.service.ts'
import { type Call, Handles } from '../shapes/handles.ts'

/** Rings, arms, furnaces, baths and flasks of the lab, under the names that it gives them. */
@Controller()
export class EquipmentController {
  constructor(
    private readonly settings: LabSettingsService,
    private readonly live: LiveService,
  ) {}

  @Handles('GET /equipment')
  all() {
    return this.settings.list<LabEquipment>('equipment')
  }

  @Handles('PUT /equipment/:name')
  async keep({ path, body }: Call<'PUT /equipment/:name'>) {
    const equipment: LabEquipment = { ...body, name: path.name.trim() }
    checkEquipment(equipment)
    await this.settings.changeList<LabEquipment>('equipment', (all) => [
      ...all.filter((each) => each.name !== equipment.name),
      equipment,
    ])
    this.live.announce({ kind: 'lab' })
    return equipment
  }

  @Handles('DELETE /equipment/:name')
  async drop({ path: { name } }: Call<'DELETE /equipment/:name'>) {
    let found = false
    await this.settings.changeList<LabEquipment>('equipment', (all) => {
      found = all.some((each) => each.name === name)
      return all.filter((each) => each.name !== name)
    })
    if (!found) throw new Refusal(404, 'no-such-equipment', `There is no ${name}.`, 'Reload the list.')
    this.live.announce({ kind: 'lab' })
  }
}
