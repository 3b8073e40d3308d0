import type { RouteTemplate } from '../route-template.ts'
import { oneArch } from './door.ts'
import { implantCast } from './implant-cast.ts'
import { implantCounts } from './implant-counts.ts'
import { implantJigAndTray } from './implant-jig-and-tray.ts'

/** Implant cast with soft tissue, a sectioned verification jig and a custom tray (common practice throughout). */
export const implantVerification: RouteTemplate = {
  id: 'implant-verification',
  version: 1,
  name: 'Implant cast, verification jig and tray',
  matters: [
    oneArch,
    {
      id: 'implants',
      name: 'Implants',
      choices: implantCounts.map((count) => ({ id: count, name: count })),
      usual: '4',
      why: 'As prescribed: every count is held against it.',
      prescribed: true,
    },
  ],
  steps: [...implantCast, ...implantJigAndTray],
}
