/** The matter under which a template says for which arch it is. */
export const ARCH_MATTER = 'arch'
