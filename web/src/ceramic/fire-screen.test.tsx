import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, waitFor } from '@testing-library/react'
import type { MachineRunShown } from '@yentrik/contract'
import { firingProgram, type LabProduct } from '@yentrik/core'
import { Bench, stainShelf as shelf } from '@yentrik/core/testing'
import { useLabClock } from '../live/lab-clock.ts'
import { caseOnServer } from '../testing/case.ts'
import { serverWith, show } from '../testing/lab.tsx'
import { button, type } from '../testing/sheet-entry.tsx'
import { stainPots } from '../testing/shelf.ts'
import { BrushSlider } from './BrushSlider.tsx'
import { FireScreen } from './FireScreen.tsx'
import { firingFor, firingNumber, firingStart, loadOf, shownSegments, wantedProgram } from './firing-draft.ts'
import { firingOf } from './LiveFiring.tsx'
import { emptyFire, exampleTooth, readColour, toothOf, zonesAsked } from './plan-draft.ts'
import { ToothPicture } from './ToothPicture.tsx'
import { partsWords, ZoneCard } from './ZoneCard.tsx'

describe('what is typed of colours', () => {
  it('a zone counts once it has a block and a target, on its tooth or on all', () => {
    expect(zonesAsked(emptyFire, [])).toEqual([])
    const draft = { ...emptyFire, teeth: { '': exampleTooth } }
    expect(zonesAsked(draft, []).map(({ zone }) => zone)).toEqual(['neck', 'body', 'edge', 'sides'])
    const half = { ...exampleTooth, target: { ...exampleTooth.target, edge: { L: '', a: '1', b: '2' } } }
    expect(zonesAsked({ ...draft, teeth: { '': half } }, [])).toHaveLength(3)
    const own = {
      ...draft,
      teeth: { ...draft.teeth, '11': { ...exampleTooth, block: { L: '79', a: '2', b: '18' } } },
    }
    const asked = zonesAsked(own, [11, 21])
    expect(asked).toHaveLength(8)
    expect([asked[0]!.block.L, asked[4]!.block.L]).toEqual([79, 84])
    expect(toothOf(own, '21').block.L).toBe('84')
  })
  it('a graded block has its own colour in a zone', () => {
    const graded = { ...exampleTooth, graded: { neck: { L: '80', a: '2', b: '18' } } }
    const [neck, body] = zonesAsked({ ...emptyFire, teeth: { '': graded } }, [])
    expect([neck!.block.L, body!.block.L]).toEqual([80, 84])
  })
  it('decimal commas are numbers, words are none', () => {
    expect(readColour({ L: '84,5', a: '-1', b: '13' })).toEqual({ L: 84.5, a: -1, b: 13 })
    expect(readColour({ L: 'light', a: '1', b: '13' })).toBeUndefined()
  })
})

describe('a zone on the sheet', () => {
  const planned = shelf.map((pot) => ({ ...pot })) as never
  it('is said in parts, with clear extender', () => {
    const parts = (...of: number[]) => shelf.map((_, n) => of[n] ?? 0)
    expect(partsWords({ parts: parts(4, 1), clear: 3, coats: 2 }, planned)).toBe(
      '4 ochre body : 1 brown body : 3 clear',
    )
    expect(partsWords({ parts: parts(0, 0, 1), clear: 0, coats: 1 }, planned)).toBe('grey alone')
    expect(partsWords({ parts: parts(), clear: 0, coats: 0 }, planned)).toBe('glaze only')
  })
  it('shows block, mixed and target, how far apart in numbers, and that it is no shade match', () => {
    show(
      <ZoneCard
        zone="body"
        block={{ L: 84, a: 1, b: 13 }}
        target={{ L: 80.5, a: 2, b: 17 }}
        mixed={{ L: 81.663, a: 1.941, b: 17.49 }}
        plan={undefined}
        pots={[]}
      />,
    )
    expect(screen.getByLabelText('Body differs by').textContent).toBe('0.85')
    expect(screen.getByText('acceptable')).toBeTruthy()
    expect(screen.getAllByTitle(/A screen is no shade match/)).toHaveLength(3)
  })
  it('a colour that a screen cannot show says so', () => {
    show(
      <ZoneCard
        zone="edge"
        block={{ L: 94, a: 1, b: 35 }}
        target={undefined}
        mixed={undefined}
        plan={undefined}
        pots={[]}
      />,
    )
    expect(screen.getByText('not showable')).toBeTruthy()
    expect(screen.getByLabelText('target, not entered')).toBeTruthy()
  })
  it('the tooth is drawn in the colours of its zones, grey where there is none', () => {
    const { container } = show(<ToothPicture colours={{ neck: { L: 80, a: 2, b: 18 } }} />)
    expect(container.innerHTML).toContain('rgb(215 196 165)')
    expect(container.innerHTML).toContain('#c9c9c9')
  })
  it('the brush is moved, and put back', async () => {
    const moved: string[] = []
    const { user } = show(
      <BrushSlider
        value="0.8"
        onValue={(value) => moved.push(value)}
        ends={{ where: 'neck', thinner: 3.12, thicker: 1.99 }}
      />,
    )
    expect(screen.getByText('3.12')).toBeTruthy()
    fireEvent.change(screen.getByRole('slider'), { target: { value: '1.1' } })
    await user.click(button('As planned'))
    expect(moved).toEqual(['1.1', '1'])
  })
})

describe('the screen on its own', () => {
  const fire = (view: string, more: object = {}) => {
    const sent = serverWith({
      'GET /products': stainPots,
      'GET /lots': [],
      'GET /equipment': [],
      'GET /machine-runs': [],
      'GET /bench': { work: [] },
      ...more,
    })
    return { ...show(<FireScreen />, { at: `/fire?view=${view}`, pattern: '/fire' }), sent }
  }
  it('says the rule first, and what is missing; an example shows what it does', async () => {
    const { user } = fire('plan')
    expect(
      await screen.findByText('A lighter block can be toned down, a dark one cannot be lifted.'),
    ).toBeTruthy()
    expect(await screen.findByText(/Enter the colour of the block/)).toBeTruthy()
    await user.click(button('Try it with an example'))
    expect(screen.getByLabelText<HTMLInputElement>('Block L*').value).toBe('84')
    expect(screen.getByLabelText<HTMLInputElement>('Neck b*').value).toBe('22')
  })
  it('without a pot it leads to the drawdowns', async () => {
    fire('plan', { 'GET /products': [] })
    expect(await screen.findByText(/No pot of stain is calibrated/)).toBeTruthy()
  })
  it('a hybrid is refused by the furnace; another class gets its program', async () => {
    const { user } = fire('furnace')
    await screen.findByLabelText('Ready at')
    await user.selectOptions(screen.getByLabelText('Class'), 'hybrid')
    expect(screen.getByRole('alert').textContent).toContain('never fired: it would burn')
    expect(screen.queryByRole('button', { name: /^Start/ })).toBeNull()
    await user.selectOptions(screen.getByLabelText('Class'), 'zirconia4y')
    await user.selectOptions(screen.getByLabelText('Firing'), 'sinter')
    expect(button('Start Sintering furnace now')).toBeTruthy()
  })
  it('a wet piece is kept from a fast ramp until it is dry', async () => {
    const { user } = fire('furnace')
    await screen.findByLabelText('Ready at')
    await user.click(screen.getByRole('radio', { name: 'Wet' }))
    expect(screen.getByRole('alert').textContent).toContain('on this ramp the steam bursts it')
    expect(screen.queryByRole('button', { name: /^Start/ })).toBeNull()
    await user.click(screen.getByRole('radio', { name: 'Dry' }))
    expect(button(/^Start Ceramic furnace/)).toBeTruthy()
  })
  it('a silver test is kept with its furnace, and the program is set for it', async () => {
    const kiln = { kind: 'kiln', name: 'Kiln', timeConstantMinutes: 15, mostUnits: 6, source: 'timed' }
    const { user, sent } = fire('furnace', {
      'GET /equipment': [{ ...kiln, silverShownCelsius: 971.78 }],
      'PUT /equipment/:name': kiln,
      'POST /machine-runs': {},
    })
    await user.click(await screen.findByText(/Silver test: reads 10 °C too high/))
    type('It showed', '700')
    await user.click(button('Keep it'))
    expect(screen.getByRole('alert').textContent).toContain('cannot be right')
    type('It showed', '965')
    await user.click(button('Keep it'))
    expect(sent.find(({ method }) => method === 'PUT')?.body).toMatchObject({
      silverShownCelsius: 965,
      mostUnits: 6,
    })
    await user.click(button('Start Kiln now'))
    const asked = sent.filter(({ method, address }) => method === 'POST' && address === '/machine-runs')[0]!
      .body as {
      program: { segments: readonly { toCelsius: number }[] }
    }
    expect(Math.max(...asked.program.segments.map(({ toCelsius }) => toCelsius))).toBe(780)
  })
  it('judges a run by the silver test of the furnace that it lies in, not of the one that is free', async () => {
    const kiln = { kind: 'kiln', timeConstantMinutes: 15, mostUnits: 6, source: 'timed' }
    const program = firingProgram({ ceramic: 'disilicate', firing: 'stain', wallMillimetres: 1.5, units: 1 })
    // It showed 770 and reads 30 too much: 740 inside.
    const measured = Array.from({ length: 21 }, (_, minutes) => ({ minutes, setCelsius: 770, celsius: 770 }))
    fire('furnace', {
      'GET /equipment': [
        { ...kiln, name: 'Old kiln', silverShownCelsius: 991.78 },
        { ...kiln, name: 'True kiln', silverShownCelsius: 961.78 },
      ],
      'GET /machine-runs': [
        {
          runId: 'r-1',
          machine: 'Old kiln',
          kind: 'kiln',
          standIn: true,
          program,
          loads: [],
          startedAt: '2026-11-28T10:00:00.000Z',
          stoppedAt: null,
          endsAt: '2026-11-28T10:20:00.000Z',
          ended: true,
          measured,
        },
      ],
    })
    const says = await screen.findByLabelText('What the curve says')
    await waitFor(() => expect(says.textContent).toContain('740 °C at most, 770 °C were wanted: under-fired'))
  })
  it('a pot is calibrated by four chips (brown of the model), and kept with its lot', async () => {
    const { user, sent } = fire('pots', { 'POST /products': stainPots[0]! })
    await screen.findByText('Pots of the lab')
    type('Its name', 'Brown of today')
    type('Lot in the pot', 'B-7')
    const chips = [
      ['Glazed', 0, ['88', '0.5', '8']],
      ['Stained', 0, ['79.35', '7.79', '14.57']],
      ['Glazed', 1, ['62', '6', '20']],
      ['Stained', 1, ['57.7', '10.17', '22.17']],
    ] as const
    for (const [label, which, figures] of chips)
      for (const [n, part] of ['L*', 'a*', 'b*'].entries())
        fireEvent.change(screen.getAllByLabelText(`${label} ${part}`)[which]!, {
          target: { value: figures[n] },
        })
    await user.click(button('Keep this pot'))
    const { body } = sent.find(({ method }) => method === 'POST')!
    const { name, stain } = body as LabProduct
    expect([name, stain!.lot, stain!.onCeramic]).toEqual(['Brown of today', 'B-7', 'disilicate'])
    // k = 0.026020 0.033018 0.056009, s = 0.020095 0.014079 0.006009, from readings rounded to 2 decimals.
    for (const [n, k] of [0.02602, 0.033018, 0.056009].entries())
      expect(stain!.absorption[n]).toBeCloseTo(k, 4)
    for (const [n, s] of [0.020095, 0.014079, 0.006009].entries())
      expect(stain!.scattering[n]).toBeCloseTo(s, 4)
  })
  it('blocks too much alike are refused in words', async () => {
    fire('pots')
    await screen.findByText('Pots of the lab')
    for (const part of ['Glazed', 'Stained'])
      for (const which of [0, 1])
        for (const [axis, value] of [
          ['L*', '80'],
          ['a*', '1'],
          ['b*', '10'],
        ] as const)
          fireEvent.change(screen.getAllByLabelText(`${part} ${axis}`)[which]!, { target: { value } })
    expect(screen.getByRole('alert').textContent).toContain('too much alike')
    expect(button('Keep this pot').hasAttribute('disabled')).toBe(true)
  })
})

describe('a firing for a case', () => {
  const at = (choices: object, stepId: string) => new Bench('milled-ceramic', { ...choices }).upTo(stepId)
  it('takes class, firing, wall and dryness from the record, and counts the firings', () => {
    const bench = at({ ceramic: 'disilicate' }, 'fire-glaze')
    const { job } = bench
    const draft = firingFor(job, 'glaze')
    expect(draft).toMatchObject({ ceramic: 'disilicate', firing: 'glaze', dried: 'yes' })
    expect(firingNumber(job, 'fire-stain')).toBe(1)
    expect(firingNumber(job, 'fire-glaze')).toBe(2)
    expect(firingFor(new Bench('milled-ceramic', {}).job, 'stain').dried).toBe('no')
  })
  it('keeps the vacuum of a line that is changed, and the program as it was worked out where none is', () => {
    expect(wantedProgram(firingStart).program).toEqual(firingProgram(loadOf(firingStart)!))
    const segments = shownSegments(firingStart)
    const peak = segments.findIndex(({ vacuum }) => vacuum)
    const changed = wantedProgram({
      ...firingStart,
      segments: segments.map((each, n) => (n === peak ? { ...each, to: '790' } : each)),
    })
    expect(changed.program!.segments[peak]).toMatchObject({ toCelsius: 790, vacuum: true })
    expect(wantedProgram({ ...firingStart, segments: [{ rate: 'x', to: '1', hold: '1' }] }).wrong).toContain(
      'Line 1',
    )
  })
  const run = {
    runId: 'r-1',
    machine: 'Kiln',
    kind: 'kiln',
    standIn: true,
    program: firingProgram({ ceramic: 'disilicate', firing: 'stain', wallMillimetres: 1.5, units: 1 }),
    loads: [],
    startedAt: '2026-11-28T10:00:00.000Z',
    stoppedAt: null,
    endsAt: '2026-11-28T10:24:00.000Z',
    ended: false,
    measured: [
      { minutes: 0, setCelsius: 400, celsius: 406 },
      { minutes: 10, setCelsius: 700, celsius: 706 },
    ],
  } as const satisfies MachineRunShown
  it('taken out early it was opened as hot as it was inside', () => {
    const facts = {
      ceramic: 'disilicate',
      firing: 'stain',
      peakCelsius: 770,
      wallMillimetres: 1.5,
      units: 1,
      dried: true,
      firingNumber: 1,
      showsTooMuchCelsius: 6,
    } as const
    expect(firingOf(run, facts).openedCelsius).toBeUndefined()
    expect(firingOf({ ...run, stoppedAt: '2026-11-28T10:10:00.000Z' }, facts).openedCelsius).toBe(700)
    expect(firingOf({ ...run, ended: true }, facts).endMinutes).toBe(24)
  })
  it('the screen of a hybrid case refuses the furnace', async () => {
    const bench = new Bench('milled-ceramic', { ceramic: 'hybrid' }).upTo('polish-hybrid')
    caseOnServer(bench, { 'GET /bench': { work: [] } })
    show(<FireScreen />, { at: '/fire?case=c1&view=furnace', pattern: '/fire' })
    expect((await screen.findByRole('alert')).textContent).toContain('Resin-bonded hybrid is never fired')
    expect(screen.queryByRole('button', { name: /^Start/ })).toBeNull()
  })
  it('a colour is read zone by zone against its plan; one that lies apart is named; too light says what to add', async () => {
    const bench = new Bench('milled-ceramic', { ceramic: 'disilicate' }).upTo('read-colour')
    const { jobId } = bench.job
    useLabClock.setState({
      labMillis: bench.now,
      steadyMillis: performance.now(),
      speed: 1,
      mayBeMoved: false,
    })
    caseOnServer(bench, { 'GET /bench': { work: [] } })
    const { user } = show(<FireScreen />, { at: `/fire?case=c1&job=${jobId}&view=read`, pattern: '/fire' })
    const add = async (L: string) => {
      for (const [part, value] of [
        ['L', L],
        ['a', '1'],
        ['b', '16.9'],
      ] as const)
        fireEvent.change(screen.getByLabelText(`Shows ${part}*`), { target: { value } })
      await user.click(button('Add'))
    }
    await screen.findByLabelText('Colour read')
    await add('82.6')
    expect(screen.getByLabelText('Furthest off').textContent).toMatch(/^0\.\d\d$/)
    await add('82.8')
    await add('79')
    expect(screen.getByRole('alert').textContent).toContain('Reading 3 lies apart')
    await user.click(button('Leave out reading 3'))
    await user.click(button(/^Into the record: this reading/))
    const sheet = bench.job.steps['read-colour']!.sheets.at(-1)!.sheet
    expect(sheet).toMatchObject({ kind: 'shadeReading', from: 'hand', zones: [{ zone: 'body' }] })
  })
})
