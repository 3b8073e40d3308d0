import { result, route } from './route.ts'

/** How the backups of the lab stand. Instants are ms since 1970, by the clock of the server. */
export interface BackupState {
  readonly folder: string
  readonly secondFolder: string | null
  /** HH:MM; none: only when it is asked for. */
  readonly nightlyAt: string | null
  /** The newest good one: opened and counted before it got its name. */
  readonly newest: { readonly file: string; readonly at: number; readonly bytes: number } | null
  /** How many older ones are kept. */
  readonly older: number
  /** Two days or more without a good one. */
  readonly overdue: boolean
  /** The last try, where it failed. */
  readonly failure: { readonly at: number; readonly fault: string } | null
}
const state = result<BackupState>('The newest good backup, what is kept, what went wrong')

export const backupRoutes = {
  'GET /backups': route({ room: 'backups', summary: 'How the backups stand', answer: state }),
  'POST /backups': route({
    room: 'backups',
    right: 'lead',
    summary: 'Make a backup now',
    answer: state,
    status: 201,
  }),
}
