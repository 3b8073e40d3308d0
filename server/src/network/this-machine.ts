import { isLoopback } from '../settings/server-settings.ts'

/** Whether an address is the machine of the server itself. */
export const isThisMachine = (address: string): boolean =>
  address !== 'localhost' && isLoopback(address.replace(/^::ffff:/, ''))
