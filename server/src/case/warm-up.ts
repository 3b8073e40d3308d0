import { receiveCase } from '@yentrik/core'
import { house } from './house.ts'
import { readDocument } from './read-document.ts'

/**
 * Reads a document that nobody keeps, before anybody waits: the machinery that looks through documents is made at its first use,
 * which takes a good part of a second.
 */
export async function warmUp(): Promise<void> {
  const authorisation = {
    clinic: 'none',
    prescriber: 'none',
    patientCode: 'none',
    wanted: 'none',
    teeth: [35, 36, 37],
    dueAt: '2000-01-02T00:00:00.000Z',
    enclosures: [],
  }
  const jobs = [...house.templates.keys()].map((templateId) => ({ templateId, choices: {} })).slice(0, 8)
  const { events, routes } = receiveCase(
    { docket: 'W-1', authorisation, jobs },
    Date.UTC(2000, 0, 1),
    'nobody',
    house,
  )
  await readDocument({
    format: 'yentrik-case',
    version: 1,
    caseId: '00000000-0000-4000-8000-000000000000',
    events,
    routes: Object.fromEntries(routes),
    lots: [],
  })
}
