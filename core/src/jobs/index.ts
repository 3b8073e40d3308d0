import { routeShelf } from '../route/index.ts'
import { articulatorMounting } from './articulator-mounting.ts'
import { castBridge } from './cast-bridge.ts'
import { castCrown } from './cast-crown.ts'
import { castPosts } from './cast-posts.ts'
import { clearClasp } from './clear-clasp.ts'
import { completeDenture } from './complete-denture.ts'
import { immediateDenture } from './immediate-denture.ts'
import { implantVerification } from './implant-verification.ts'
import { studyCast } from './study-cast.ts'
import { studyModelPair } from './study-model-pair.ts'
import { toothWaxUp } from './tooth-wax-up.ts'
import { wireClaspPartial } from './wire-clasp-partial.ts'

const shipped = [
  studyCast,
  studyModelPair,
  implantVerification,
  articulatorMounting,
  castCrown,
  castBridge,
  castPosts,
  toothWaxUp,
  completeDenture,
  wireClaspPartial,
  immediateDenture,
  clearClasp,
]

/** Every shipped route template by its id, looked at when the core is loaded. A new job is a new file here. */
export const routeTemplates = routeShelf(shipped)
