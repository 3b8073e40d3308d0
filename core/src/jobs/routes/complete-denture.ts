import type { RouteTemplate } from '../../route/index.ts'
import { dentureDelivery, journeyMatter } from '../delivery.ts'
import { dentureCuring } from '../denture-curing.ts'
import { dentureFinishing } from '../denture-finishing.ts'
import { dentureFlasking } from '../denture-flasking.ts'
import { opponentMatter, processingMatters, waxMatters } from '../denture-matters.ts'
import { dentureRemount } from '../denture-remount.ts'
import { dentureToMounting } from '../denture-to-mounting.ts'
import { dentureToTryIn } from '../denture-to-try-in.ts'
import { oneArch } from '../door.ts'
import { denturePictures } from '../pictures.ts'
import { baseMatter, mixingMatter } from '../pour-steps.ts'

/** A complete denture, upper, lower or a pair, from the final impressions to the bag (common practice throughout). */
export const completeDenture: RouteTemplate = {
  id: 'complete-denture',
  version: 12,
  name: 'Complete denture',
  usualDays: 11,
  pictures: denturePictures,
  formerMeanings: { flash: 'flashSeen' },
  matters: [
    { ...oneArch, choices: [...oneArch.choices, { id: 'pair', name: 'Pair' }] },
    baseMatter,
    mixingMatter,
    ...waxMatters,
    opponentMatter('denture'),
    ...processingMatters,
    journeyMatter,
  ],
  steps: [
    ...dentureToMounting,
    ...dentureToTryIn,
    ...dentureFlasking,
    ...dentureCuring,
    ...dentureRemount,
    ...dentureFinishing('denture'),
    ...dentureDelivery(false),
  ],
}
