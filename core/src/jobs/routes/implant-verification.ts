import type { RouteTemplate } from '../../route/index.ts'
import { oneArch } from '../door.ts'
import { implantCast } from '../implant-cast.ts'
import { implantCounts } from '../implant-counts.ts'
import { implantJigAndTray } from '../implant-jig-and-tray.ts'
import { castPictures, onePicture, shows } from '../pictures.ts'
import { baseMatter, mixingMatter } from '../pour-steps.ts'

/** Implant cast with soft tissue, a sectioned verification jig and a custom tray (common practice throughout). */
export const implantVerification: RouteTemplate = {
  id: 'implant-verification',
  version: 6,
  name: 'Implant cast, verification jig and tray',
  usualDays: 4,
  pictures: { ...onePicture(shows('implants', ['tissue'])), receive: castPictures.receive },
  matters: [
    oneArch,
    baseMatter,
    mixingMatter,
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
