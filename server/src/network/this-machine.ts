/** Whether an address is the machine of the server itself. */
export const isThisMachine = (address: string): boolean =>
  /^(::ffff:)?127\.\d+\.\d+\.\d+$|^::1$/.test(address)
