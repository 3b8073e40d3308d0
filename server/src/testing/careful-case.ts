import type { CaseRecord } from '@yentrik/contract'
import {
  type CaseState,
  carefulWork,
  currentStep,
  routeTemplates,
  seededRandom,
  workingCase,
} from '@yentrik/core'
import type { TestServer } from './test-server.ts'

/** The case as it is on record. */
export async function stateOf(server: TestServer, caseId: string): Promise<CaseState> {
  const { events, routes } = (await server.get(`/cases/${caseId}`).expect(200)).body as CaseRecord
  return workingCase(events, new Map(Object.entries(routes)), routeTemplates).state
}

/** Works a case on as a careful technician would, up to a step, which is started; without one, to its end. */
export async function workTo(server: TestServer, caseId: string, stepId?: string): Promise<void> {
  const random = seededRandom(5)
  const outOfTimeReason = 'the clock of a test'
  for (;;) {
    const state = await stateOf(server, caseId)
    const step = currentStep(state.jobs[0]!)
    if (!step) return
    const on = { jobId: 'job-1', stepId: step.id }
    let seen = state.sequence
    await server.command(caseId, seen++, { type: 'startStep', ...on, outOfTimeReason }).expect(201)
    if (step.id === stepId) return
    for (const command of carefulWork('job-1', step, random, undefined, state.authorisation))
      await server.command(caseId, seen++, command).expect(201)
    await server.command(caseId, seen, { type: 'finishStep', ...on, outOfTimeReason }).expect(201)
  }
}
