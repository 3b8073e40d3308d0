import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen } from '@testing-library/react'
import type { LotOnShelf, MachineRunShown, ProductOnShelf } from '@yentrik/contract'
import { firingProgram, type LabProduct, materials, type StepSheet } from '@yentrik/core'
import { Bench, stainShelf as shelf } from '@yentrik/core/testing'
import { useLabClock } from '../live/lab-clock.ts'
import { ProductForm } from '../shelf/ProductForm.tsx'
import { productOf, typedProduct } from '../shelf/product-entry.ts'
import { caseOnServer } from '../testing/case.ts'
import { serverWith, show } from '../testing/lab.tsx'
import { button, entry, type } from '../testing/sheet-entry.tsx'
import { lot } from '../testing/shelf.ts'
import { BrushSlider } from './BrushSlider.tsx'
import { FireScreen } from './FireScreen.tsx'
import { firingFor, firingNumber, firingStart, loadOf, shownSegments, wantedProgram } from './firing-draft.ts'
import { firingOf } from './LiveFiring.tsx'
import { emptyFire, exampleTooth, readColour, toothOf, zonesAsked } from './plan-draft.ts'
import { TabsPanel } from './TabsPanel.tsx'
import { ToothPicture } from './ToothPicture.tsx'
import { partsWords, ZoneCard } from './ZoneCard.tsx'

const stainOf = (n: number): NonNullable<LabProduct['stain']> => ({
  absorption: shelf[n]!.absorption as unknown as [number, number, number],
  scattering: shelf[n]!.scattering as unknown as [number, number, number],
  onCeramic: 'disilicate',
  lot: `S-${n}`,
  calibratedOn: '2026-11-01',
  specular: 'excluded',
})
const onShelf = (product: LabProduct): ProductOnShelf => ({
  product,
  card: materials.get(product.materialId)!,
  flags: [],
})
const pots = shelf.map(({ name }, n) =>
  onShelf({ productId: `p-${n}`, materialId: 'ceramic-stain', name, source: 'drawdowns', stain: stainOf(n) }),
)

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
      'GET /products': pots,
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
  it('a pot is calibrated by four chips (brown of the model), and kept with its lot', async () => {
    const { user, sent } = fire('pots', { 'POST /products': pots[0]! })
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

describe('tabs of the lab', () => {
  const shown = (more: object = {}) => {
    const sent = serverWith({
      'GET /equipment': [{ kind: 'tab', name: 'Oat 2', L: 80.5, a: 2, b: 17, source: 'measured' }],
      'PUT /equipment/:name': {},
      ...more,
    })
    return { ...show(<TabsPanel />), sent }
  }
  const csv = (text: string) => Object.assign(new File([text], 'readings.csv'), { text: async () => text })
  it('one is kept under its own name; without a name or a colour it says what to do', async () => {
    const { user, sent } = shown()
    expect(await screen.findByText('Oat 2')).toBeTruthy()
    await user.click(button('Keep this tab'))
    expect(screen.getByRole('alert').textContent).toContain('Give the tab the name')
    type('Another tab', 'Slate 3')
    await user.click(button('Keep this tab'))
    expect(screen.getByRole('alert').textContent).toContain('Enter L*')
    for (const [part, value] of [
      ['L*', '70,5'],
      ['a*', '0'],
      ['b*', '11'],
    ] as const)
      type(`Colour ${part}`, value)
    await user.click(button('Keep this tab'))
    const put = sent.find(({ method }) => method === 'PUT')!
    expect([put.address, put.body]).toEqual([
      '/equipment/Slate%203',
      { kind: 'tab', L: 70.5, a: 0, b: 11, source: 'measured here' },
    ])
  })
  it('come in as a table, are shown, and are kept; a file that is none says which line', async () => {
    const { user, sent } = shown()
    const input = () => screen.getByLabelText('Readings from CSV')
    await user.upload(input(), csv('name;L*;a*;b*\nTab A;79,5;1;17\nTab B;x;1;17'))
    expect((await screen.findByRole('alert')).textContent).toContain('Line 3')
    await user.upload(input(), csv('name;L*;a*;b*\nTab A;79,5;1;17\nTab B;74;3;20'))
    expect(await screen.findByText(/L\* 79.5, a\* 1.0, b\* 17.0/)).toBeTruthy()
    await user.click(button('Keep all 2 as tabs'))
    expect(sent.filter(({ method }) => method === 'PUT').map(({ address }) => address)).toEqual([
      '/equipment/Tab%20A',
      '/equipment/Tab%20B',
    ])
  })
  it('two curves are held against each other under a lamp (the figures of the model: 6.97, 4.58, 3.11)', async () => {
    const { user } = shown()
    const nm = Array.from({ length: 41 }, (_, n) => 380 + 10 * n)
    const row = (name: string, of: (each: number) => number) => `${name},${nm.map(of).join(',')}`
    const wave = (each: number) => 0.6 + 0.08 * Math.sin((2 * Math.PI * (each - 380)) / 120)
    const text = [
      `name,${nm.map((each) => `${each} nm`).join(',')}`,
      row('flat', () => 0.6),
      row('wave', wave),
    ]
    await user.upload(screen.getByLabelText('Readings from CSV'), csv(text.join('\n')))
    const words = (await screen.findByText(/In daylight/)).textContent
    expect(words).toContain('In daylight 6.97, out of reach; under a lamp 4.58')
    expect(words).toContain('3.11 is left under the lamp')
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

describe('sizes of a blank', () => {
  it("another lot's factor is caught with what it does to the fit, in µm", async () => {
    const { user, recorded } = entry('enlargement', {
      sheet: { state: 'green' } as Partial<StepSheet> as never,
    })
    type('Lot of the blank', 'ZR-2')
    type('Factor of the lot', '1.2298')
    type('Milled with', '1.241')
    expect(screen.getByRole('alert').textContent).toContain('over 10 mm it ends 91 µm too large')
    type('Final size 1', '9')
    type('Measured size 1', '11.17')
    expect(screen.getByText(/wanted/).textContent).toContain('11.17')
    type('Why it stands all the same', 'Seats on the model')
    await user.click(button('Record'))
    expect(recorded).toEqual([
      {
        kind: 'enlargement',
        lot: 'ZR-2',
        lotFactor: 1.2298,
        usedFactor: 1.241,
        sizes: [{ place: 'across, mesial to distal', finalMillimetres: 9, measuredMillimetres: 11.17 }],
        reason: 'Seats on the model',
      },
    ])
  })
  it('a missing size is named and nothing is stored', async () => {
    const { user, recorded } = entry('enlargement')
    type('Factor of the lot', '1.24')
    type('Milled with', '1.24')
    await user.click(button('Record'))
    expect(recorded).toEqual([])
    expect(screen.getByLabelText('Final size 1').getAttribute('aria-invalid')).toBe('true')
  })
  it('density by Archimedes: percent of full, a float refused in words', async () => {
    const { user, recorded } = entry('density')
    type('Dry', '1.22')
    type('Hanging in water', '1.3')
    expect(screen.getByText(/cannot weigh more in water/)).toBeTruthy()
    type('Hanging in water', '1.0197')
    expect(screen.getByLabelText('Density').textContent).toMatch(/^(99|100)\.\d %$/)
    await user.click(button('Record'))
    expect(recorded).toEqual([{ kind: 'density', dryGrams: 1.22, inWaterGrams: 1.0197, waterCelsius: 20 }])
  })
})

describe('on the shelf', () => {
  it('a block takes its colour, graded zone by zone; a pot keeps its film when its form is stored', async () => {
    const card = materials.get('block-disilicate')!
    const typed = {
      ...typedProduct(undefined),
      name: 'Pale',
      blockColour: '84 1 13',
      gradedBlock: 'neck 80 2 18\nedge 85 0 9',
    }
    expect(productOf(typed, card, undefined).block).toEqual({
      colour: { L: 84, a: 1, b: 13 },
      neck: { L: 80, a: 2, b: 18 },
      edge: { L: 85, a: 0, b: 9 },
    })
    const pot = pots[0]!.product
    expect(productOf(typedProduct(pot), materials.get('ceramic-stain')!, pot).stain).toEqual(pot.stain)
  })
  it('a zone that is none is named at its line', async () => {
    serverWith({})
    const { user } = show(
      <ProductForm classCard={materials.get('block-disilicate')!} onDone={() => undefined} />,
    )
    type('Name in this lab', 'Pale')
    type('Colour, glazed: L*, a*, b* (D65)', '84 1 13')
    type('Graded block: neck, body, edge or sides with L*, a*, b*, one line each', 'root 80 2 18')
    await user.click(button('Store'))
    expect(screen.getByText(/"root 80 2 18" is not a zone/)).toBeTruthy()
  })
  it('a lot without a factor of its own has none', () => {
    const blank: LotOnShelf = lot({ materialId: 'block-zirconia4y' })
    expect(blank.enlargement).toBeNull()
  })
})
