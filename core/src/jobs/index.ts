export { type Instructions, instructionsOf } from './instructions.ts'

import { routeShelf } from '../route/index.ts'
import * as shipped from './routes.generated.ts'

/** Every shipped route template by its id, in the order of their names, looked at when the core is loaded. A new job is a new file in `routes/`. */
export const routeTemplates = routeShelf(Object.values(shipped).sort((a, b) => a.name.localeCompare(b.name)))
