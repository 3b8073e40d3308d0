import { describe, expect, it } from '@jest/globals'
import { screen, waitFor, within } from '@testing-library/react'
import type { PracticeCase, PracticeRoom } from '@yentrik/contract'
import {
  actsBefore,
  beginPractice,
  debriefOf,
  hintOf,
  namedRoutes,
  type PracticeAct,
  type PracticeSetup,
  practise,
  scoreDrill,
  showAll,
  type World,
} from '@yentrik/core'
import { CaseScreen } from '../case/CaseScreen.tsx'
import { refusal, serverWith, show } from '../testing/lab.tsx'
import { DebriefScreen } from './DebriefScreen.tsx'
import { DrillScreen } from './DrillScreen.tsx'
import { PractiseScreen } from './PractiseScreen.tsx'

const START = Date.parse('2026-03-02T08:00:00Z')
const short = {
  practiceId: 'practice-1',
  docket: 'P-0001',
  templateId: 'study-cast',
  jobName: 'Study cast',
  level: 'guided',
  seed: 5,
  person: 'Ada',
  begunAt: START,
  closed: null,
} as const
const empty: PracticeRoom = {
  cases: [],
  met: [],
  counts: { found: 0, defects: 0, falseAlarms: 0, cleanLooks: 0 },
}

/** A practice case as the server keeps it: played by the core, told without its truth. */
function practiceOnServer(setup: Partial<PracticeSetup> = {}, acts: readonly PracticeAct[] = []) {
  let world: World = beginPractice(
    { templateId: 'study-cast', choices: { arch: 'upper' }, level: 'guided', seed: 5, ...setup },
    START,
    'P-0001',
    'Ada',
  )
  for (const each of acts) world = practise(world, each, 'Ada')
  let count = acts.length
  const answer = (after: number): PracticeCase => {
    const { working } = world
    const events = working.events.slice(after)
    return {
      practiceId: 'practice-1',
      acts: count,
      now: world.now,
      handsMinutes: world.handsMinutes,
      seen: showAll(world),
      hint: hintOf(world),
      closed: world.closed ?? null,
      record: {
        caseId: 'practice-1',
        events,
        routes: Object.fromEntries(namedRoutes(events).map((id) => [id, working.routes.get(id)!])),
      },
      short: { ...short, level: world.setup.level },
      version: 1,
    }
  }
  const requests = serverWith({
    'GET /practice/:practiceId': () => answer(0),
    'GET /practice': empty,
    'GET /lots': [],
    'GET /products': [],
    'GET /plan/cases/:caseId': { plan: null },
    'POST /practice/:practiceId/acts': (body: unknown) => {
      const { acts: given } = body as { acts: PracticeAct[] }
      const before = world.working.events.length
      try {
        for (const each of given) world = practise(world, each, 'Ada')
      } catch (error) {
        return refusal({ code: (error as { code: string }).code, detail: (error as Error).message })
      }
      count += given.length
      return answer(before)
    },
    'GET /practice/:practiceId/debrief': () => ({
      short: { ...short, closed: 'stopped' },
      version: 1,
      debrief: debriefOf(world),
    }),
    'POST /practice/:practiceId/again': () => answer(0),
  })
  return { requests, world: () => world }
}
const start = (stepId: string): PracticeAct => ({
  act: 'command',
  command: { type: 'startStep', jobId: 'job-1', stepId },
})
const opened = async () => {
  const shown = show(<CaseScreen />, { at: '/case/practice-1', pattern: '/case/:caseId' })
  await screen.findByRole('heading', { level: 1 })
  return shown
}

describe('a practice case on the screens of the lab', () => {
  it('says that it is no real case, its own clock, and the next touch in the words of the button', async () => {
    practiceOnServer()
    await opened()
    const bar = screen.getByRole('region', { name: 'Practice' })
    expect(bar.textContent).toContain('practice, no real case')
    expect(screen.queryByRole('link', { name: /Docket|Papers/ })).toBeNull()
    expect(screen.getByRole('note', { name: 'Next touch' }).textContent).toBe('Press Start.')
    expect(screen.getByRole('button', { name: /^Start/ }).hasAttribute('data-next-touch')).toBe(true)
  })

  it('shows what is to be seen, looks closer for a minute, and takes the answer', async () => {
    const { world } = practiceOnServer({}, [start('work-authorisation')])
    const { user } = await opened()
    const look = within(screen.getByRole('region', { name: 'Complete: what is to be seen' }))
    expect(look.getByText(/Every line is filled in|The writing leans|The shade was struck out/)).toBeTruthy()
    await user.click(look.getByRole('button', { name: 'Look closer: lens, 1 min' }))
    await waitFor(() => expect(world().looks).toHaveLength(1))
    expect(await screen.findByText(/Lens:/)).toBeTruthy()
    expect(world().now - START).toBe(60_000)
    await user.click(screen.getByRole('button', { name: 'Complete' }))
    await waitFor(() => expect(world().decisions).toHaveLength(1))
    expect(screen.getByRole('note', { name: 'Next touch' }).textContent).toContain('Press Done')
  })

  it('lets time pass by its own clock, and waits for the clinic', async () => {
    const { world } = practiceOnServer({}, [
      start('work-authorisation'),
      { act: 'command', command: { type: 'askDentist', jobId: 'job-1', question: 'Which arch?' } },
    ])
    const { user } = await opened()
    expect(screen.getByRole('note', { name: 'Next touch' }).textContent).toBe('Press Wait for the clinic.')
    await user.click(screen.getAllByRole('button', { name: 'Wait for the clinic' })[0]!)
    await waitFor(() => expect(world().working.state.jobs[0]!.question).toBeUndefined())
    const before = world().now
    await user.click(await screen.findByRole('button', { name: '10 min' }))
    await waitFor(() => expect(world().now - before).toBe(600_000))
  })

  it('says in its own words what is refused, and nothing has happened', async () => {
    practiceOnServer({ level: 'exam' }, [start('work-authorisation')])
    const { user } = await opened()
    // An exam says no reasons.
    expect(screen.queryByRole('heading', { name: 'Why' })).toBeNull()
    await user.click(screen.getByRole('button', { name: /^Done/ }))
    expect(await screen.findByText(/is still open/)).toBeTruthy()
  })

  it('stops and leads to looking back', async () => {
    practiceOnServer()
    const { user } = await opened()
    await user.click(screen.getByRole('button', { name: 'Stop and look back' }))
    expect(await screen.findByRole('heading', { name: 'Stopped' })).toBeTruthy()
    expect(screen.getAllByRole('link', { name: 'Look back' })[0]!.getAttribute('href')).toBe(
      '/practise/practice-1',
    )
  })
})

describe('looking back', () => {
  it('shows the score, each defect with what it cost, and begins again from there', async () => {
    const { requests, world } = practiceOnServer({ level: 'bench', seed: 4 }, [{ act: 'stop' }])
    const { user } = show(<DebriefScreen />, { at: '/practise/practice-1', pattern: '/practise/:practiceId' })
    expect(await screen.findByRole('heading', { name: 'Looking back' })).toBeTruthy()
    const { bars, score } = debriefOf(world())
    expect(screen.getByRole('region', { name: 'Score' }).textContent).toContain(
      String(Math.round(score.total * 10) / 10),
    )
    for (const { named } of bars) expect(screen.getAllByText(named).length).toBeGreaterThan(0)
    await user.click(screen.getByRole('button', { name: /^Again from/ }))
    await waitFor(() =>
      expect(
        requests.some(
          ({ address, body }) =>
            address.endsWith('/again') && (body as { stepId: string }).stepId === bars[0]!.again.stepId,
        ),
      ).toBe(true),
    )
    expect(actsBefore([], 'any')).toEqual([])
  })
  it('of a case that is not over says so, and leads there', async () => {
    serverWith({
      'GET /practice/:practiceId/debrief': refusal({ detail: 'This practice case is not over.' }),
    })
    show(<DebriefScreen />, { at: '/practise/practice-1', pattern: '/practise/:practiceId' })
    expect(await screen.findByText(/is not over/)).toBeTruthy()
    expect(screen.getByRole('link', { name: 'To the case' }).getAttribute('href')).toBe('/case/practice-1')
  })
})

describe('Practise', () => {
  it('begins a case of a seed, and leaves one that is no number in its field', async () => {
    const requests = serverWith({
      'GET /practice': empty,
      'GET /drills': [],
      'POST /practice': { practiceId: 'practice-9' },
    })
    const { user } = show(<PractiseScreen />, { at: '/practise', pattern: '/practise' })
    await user.click(await screen.findByRole('radio', { name: 'The same as others: a seed' }))
    await user.click(screen.getByRole('radio', { name: 'Exam' }))
    await user.type(screen.getByRole('textbox', { name: /^Seed/ }), 'four')
    await user.click(screen.getByRole('button', { name: 'Begin' }))
    expect(requests.some(({ method }) => method === 'POST')).toBe(false)
    await user.clear(screen.getByRole('textbox', { name: /^Seed/ }))
    await user.type(screen.getByRole('textbox', { name: /^Seed/ }), '412')
    await user.click(screen.getByRole('button', { name: 'Begin' }))
    await waitFor(() =>
      expect(requests.find(({ method }) => method === 'POST')?.body).toEqual({
        templateId: 'study-cast',
        level: 'exam',
        choices: { arch: 'upper' },
        seed: 412,
      }),
    )
  })
  it('shows what one misses, and on which side one errs', async () => {
    serverWith({
      'GET /drills': [{ drill: 'pour', best: 92.5, last: 80, n: 5 }],
      'GET /practice': {
        cases: [
          short,
          { ...short, practiceId: 'practice-2', docket: 'P-0002', closed: 'delivered', total: 69 },
        ],
        met: [{ kind: 'a', named: 'A bleb on a tooth', found: 1, missed: 3 }],
        counts: { found: 18, defects: 20, falseAlarms: 3, cleanLooks: 30 },
        sensitivity: {
          hitRate: 0.881,
          falseAlarmRate: 0.1129,
          dPrime: 2.391,
          criterion: 0.0157,
          leans: 'neither',
        },
      },
    })
    show(<PractiseScreen />, { at: '/practise', pattern: '/practise' })
    expect((await screen.findByRole('region', { name: 'What I miss' })).textContent).toMatch(
      /18 of 20.*d′ 2\.4.*neither side.*3 of 4 missed/,
    )
    expect(screen.getByRole('link', { name: /Go on/ }).getAttribute('href')).toBe('/case/practice-1')
    await waitFor(() =>
      expect(screen.getByRole('link', { name: /^Pour/ }).textContent).toContain('92.5, best of 5'),
    )
  })
})

describe('a drill', () => {
  const drill = (id: string) => {
    const requests = serverWith({
      'GET /drills': [],
      'POST /drills': (body: unknown) => {
        const { seed, answer } = body as { seed: number; answer: Parameters<typeof scoreDrill>[1] }
        const result = scoreDrill(seed, answer)
        return { result, standing: { drill: id, best: result.points, last: result.points, n: 1 } }
      },
    })
    return {
      requests,
      ...show(<DrillScreen />, { at: `/practise/drill/${id}?seed=3`, pattern: '/practise/drill/:drill' }),
    }
  }
  it('Set: the tooth and the way are chosen, and the score is said', async () => {
    const { user, requests } = drill('set')
    await user.click(await screen.findByRole('radio', { name: 'too far forward' }))
    await user.click(screen.getByRole('button', { name: 'That is it' }))
    expect((await screen.findByRole('region', { name: 'What it came to' })).textContent).toMatch(/of 100/)
    expect(requests.find(({ method }) => method === 'POST')?.body).toMatchObject({
      seed: 3,
      answer: { drill: 'set', way: 'forward' },
    })
  })
  it('Night: a case is moved by its arrows', async () => {
    const { user, requests } = drill('night')
    await user.click(await screen.findByRole('button', { name: 'Case 2 earlier' }))
    await user.click(screen.getByRole('button', { name: 'Load them so' }))
    await waitFor(() =>
      expect(requests.find(({ method }) => method === 'POST')?.body).toMatchObject({
        answer: { order: [1, 0, 2, 3, 4, 5] },
      }),
    )
  })
  it.each(['pour', 'read', 'trim', 'sprue', 'charge', 'bath', 'grind', 'scratch', 'shade'])(
    '%s shows its task',
    async (id) => {
      drill(id)
      expect((await screen.findByRole('region', { name: 'The task' })).textContent!.length).toBeGreaterThan(
        10,
      )
    },
  )
  it('that there is not says so', async () => {
    drill('nothing')
    expect(await screen.findByText(/There is no such drill/)).toBeTruthy()
  })
})
