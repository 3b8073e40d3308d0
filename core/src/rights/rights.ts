/** Who somebody is in the lab. */
export const roles = ['lead', 'technician', 'learner', 'reader'] as const
export type Role = (typeof roles)[number]

interface RightEntry {
  /** After "may": what it lets somebody do. */
  readonly may: string
  readonly roles: readonly Role[]
}

/**
 * Who may do what: the one table. A route of the server and a command to a case name their right; the handbook shows the table.
 * How labs share work out is common practice; what a learner may not do alone is what others rely on without looking again.
 */
export const rights = {
  look: { may: 'see cases, bench, shelf and papers', roles },
  work: {
    may: 'work on a case: steps, readings, mixes, sheets, notes, going back, asking the dentist',
    roles: ['lead', 'technician', 'learner'],
  },
  decide: {
    may: 'decide on a case: take it in, change its order or its ways, leave a step out, enter the answer of the dentist, take it off hold',
    roles: ['lead', 'technician'],
  },
  stock: {
    may: 'change the shelf and the equipment',
    roles: ['lead', 'technician'],
  },
  import: { may: 'take in a case from a document', roles: ['lead', 'technician'] },
  lead: {
    may: 'change the lab: its name and ways, its people, its backups, a lot in quarantine',
    roles: ['lead'],
  },
} as const satisfies Readonly<Record<string, RightEntry>>
export type Right = keyof typeof rights

export const mayDo = (role: Role, right: Right): boolean =>
  (rights[right].roles as readonly Role[]).includes(role)

const roleNames: Readonly<Record<Role, string>> = {
  lead: 'the lab lead',
  technician: 'a technician',
  learner: 'a learner',
  reader: 'somebody who only reads',
}

/** Why somebody may not, and whom to ask. @example 'A learner may not change the shelf ...' */
export function rightRefused(
  role: Role,
  right: Right,
): { readonly sentence: string; readonly remedy: string } {
  const { may, roles: allowed } = rights[right]
  const who = roleNames[role]
  return {
    sentence: `${who.charAt(0).toUpperCase()}${who.slice(1)} may not ${may}.`,
    remedy: `Ask ${allowed
      .slice(0, 2)
      .map((each) => roleNames[each])
      .join(' or ')}.`,
  }
}
