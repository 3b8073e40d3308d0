import { describe, expect, it } from '@jest/globals'
import { routeTemplates } from '../jobs/index.ts'
import { Bench, routes, START } from '../testing/case-bench.ts'
import { receiveCase } from './working-case.ts'

const taken = (templateId: string, teeth: readonly number[]) => () =>
  receiveCase(
    {
      docket: 'K-1',
      authorisation: {
        clinic: 'Mill Lane',
        prescriber: 'Dr. Orla',
        patientCode: 'P-7',
        wanted: 'as written',
        teeth,
        dueAt: '2026-03-20T12:00:00Z',
        enclosures: [],
      },
      jobs: [{ templateId, choices: {} }],
    },
    START,
    'Ada',
    routes,
  )

describe('a fixed job', () => {
  it.each(['cast-crown', 'cast-posts', 'cast-bridge'])('%s is not taken in for no tooth', (id) => {
    expect(taken(id, [])).toThrow(
      expect.objectContaining({ code: 'teeth-missing', field: 'authorisation.teeth' }),
    )
    expect(taken(id, [35, 36, 37])).not.toThrow()
  })
  it('of three units wants three teeth: two retainers and what hangs between them', () => {
    expect(taken('cast-bridge', [35, 37])).toThrow('only 2 are entered')
    expect(taken('cast-crown', [46])).not.toThrow()
  })
  it('cannot lose them later by a slip', () => {
    const amend = (templateId: string, teeth: number[]) =>
      new Bench(templateId).refusal({ type: 'amend', changes: { teeth }, reason: 'Read again' })
    expect(amend('cast-bridge', [35])).toBe('teeth-missing')
    expect(amend('cast-bridge', [34, 35, 36])).toBeUndefined()
    expect(amend('study-cast', [])).toBeUndefined()
  })
})
it('what is made for an arch, or for what came along, asks for no tooth', () => {
  const asking = [...routeTemplates.values()].filter(({ teeth }) => teeth).map(({ id }) => id)
  for (const id of routeTemplates.keys()) if (!asking.includes(id)) expect(taken(id, [])).not.toThrow()
})
