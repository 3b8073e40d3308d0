import { borderBefore, borderToStart, resinLadder } from '../finishing/index.ts'

/** What a caliper reads of a border, mm. */
const CALIPER = 0.05
const upToCaliper = (millimetres: number) => Number((Math.ceil(millimetres / CALIPER) * CALIPER).toFixed(2))
const rubber = resinLadder.stages.findIndex(({ id }) => id === 'rubber')

/** So much in wax that 3 mm stay after contour, the whole ladder and one repeat from rubber. */
export const BORDER_IN_WAX = upToCaliper(borderToStart(resinLadder, rubber))
/** So much that 3 mm stay when rubber, pumice and shine have taken theirs. */
export const BORDER_BEFORE_POLISHING = upToCaliper(borderBefore(resinLadder, rubber))
