import { describe, expect, it } from '@jest/globals'
import { deeds, rightOfCommand } from '../case/payloads.ts'
import { mayDo, type Right, rightRefused, rights, roles } from './index.ts'

/** Who may what, written down beside the table, so that neither changes alone (common practice; a choice of the house). */
const wanted: Readonly<Record<Right, string>> = {
  look: 'lead technician learner reader',
  work: 'lead technician learner',
  decide: 'lead technician',
  stock: 'lead technician',
  import: 'lead technician',
  lead: 'lead',
}

describe('the table of rights', () => {
  it.each(Object.entries(wanted))('%s: %s', (right, who) => {
    expect(roles.filter((role) => mayDo(role, right as Right)).join(' ')).toBe(who)
  })
  it('lets nobody do more than somebody who is above them', () => {
    for (const { roles: allowed } of Object.values(rights))
      expect(allowed).toEqual(roles.slice(0, allowed.length))
  })
  it('says in a sentence who may not what, and whom to ask', () => {
    expect(rightRefused('learner', 'stock')).toEqual({
      sentence: 'A learner may not change the shelf and the equipment.',
      remedy: 'Ask the lab lead or a technician.',
    })
    expect(rightRefused('reader', 'work').sentence).toMatch(/^Somebody who only reads may not work on a case/)
    expect(rightRefused('technician', 'lead').remedy).toBe('Ask the lab lead.')
  })
})

describe('commands to a case', () => {
  const deciding = ['amend', 'dentistAnswered', 'release', 'skipStep', 'swapVariant']
  it('are work for everybody at the bench, but for those that decide', () => {
    const commands = Object.keys(deeds) as (keyof typeof deeds)[]
    expect(commands.length).toBeGreaterThan(14)
    for (const command of commands)
      expect([command, rightOfCommand({ type: command })]).toEqual([
        command,
        deciding.includes(command) ? 'decide' : 'work',
      ])
  })
})
