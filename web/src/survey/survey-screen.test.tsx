import { describe, expect, it } from '@jest/globals'
import { fireEvent, screen, within } from '@testing-library/react'
import type { BestTilt, StepSheet, StonePieces, SurveyedPlace, WallPlace, WayOut } from '@yentrik/core'
import { serverWith, show } from '../testing/lab.tsx'
import { button, entry, type } from '../testing/sheet-entry.tsx'
import { LiftsDrawing } from './LiftsDrawing.tsx'
import { PlacePanel } from './PlacePanel.tsx'
import { RoomPanel } from './RoomPanel.tsx'
import { SurveyScreen } from './SurveyScreen.tsx'
import { armOf, faceWords, gaugeOf, placeAt, surveyFor, usualArm, whereWords } from './survey-draft.ts'
import { recordOf } from './survey-record.ts'
import { TiltKnob } from './TiltKnob.tsx'
import type { SurveyState } from './use-survey.ts'

describe('a survey by gauge, without a scan', () => {
  it('is recorded place by place, with the gauge that its arm wants', async () => {
    const { user, recorded } = entry('survey', { sheet: { leastPlaces: 1, usualGauge: 0.5 }, teeth: [24] })
    expect(screen.getByLabelText<HTMLInputElement>('Place 1').value).toBe('24')
    type('Undercut at place 1', '0,48')
    await user.click(button('Another place'))
    type('Place 2', '14')
    type('Undercut at place 2', '0.55')
    await user.click(button('Record'))
    expect(recorded).toEqual([
      {
        kind: 'survey',
        by: 'gauges',
        arch: 'upper',
        places: [
          { place: '24', gaugeMillimetres: 0.5, depthMillimetres: 0.48 },
          { place: '14', gaugeMillimetres: 0.5, depthMillimetres: 0.55 },
        ],
      },
    ])
  })
  it('an empty or wrong reading is named, kept, and nothing is stored', async () => {
    const { user, recorded } = entry('survey', { sheet: { leastPlaces: 1, usualGauge: 0.5 } })
    type('Undercut at place 1', 'deep')
    await user.click(button('Record'))
    expect(screen.getByRole('alert').textContent).toContain('"deep" is not a number')
    expect(screen.getByLabelText<HTMLInputElement>('Undercut at place 1').value).toBe('deep')
    expect(recorded).toEqual([])
  })
  it('leads to the scan as well', () => {
    entry('survey')
    expect(screen.getByRole('link', { name: 'Survey a scan of the cast' }).getAttribute('href')).toMatch(
      /^\/survey\?case=c1&job=/,
    )
  })
})

describe('the screen without a scan', () => {
  it('asks for one, says what else there is, and which cast it is', async () => {
    serverWith({})
    const { user } = show(<SurveyScreen />, { at: '/survey', pattern: '/survey' })
    expect(screen.getByLabelText('Scan of the cast')).toBeTruthy()
    expect(screen.getByText(/Without a scan: read the gauge/)).toBeTruthy()
    await user.click(screen.getByRole('radio', { name: 'Lower' }))
    expect(screen.getByRole<HTMLInputElement>('radio', { name: 'Lower' }).checked).toBe(true)
  })
})

// jsdom knows no pointers: a mouse says where it is.
const pointer = (on: HTMLElement, what: string, clientY: number) =>
  fireEvent(on, new MouseEvent(what, { clientY, bubbles: true }))

describe('an angle of the table', () => {
  const knob = (locked = false) => {
    const given: number[] = []
    show(
      <TiltKnob
        name="Front"
        degrees={1}
        words={(degrees) => (degrees > 0 ? 'front up' : 'front down')}
        locked={locked}
        onDegrees={(degrees) => given.push(degrees)}
        onMoving={() => undefined}
      />,
    )
    const slider = screen.getByRole('slider', { name: 'Front of the table' })
    return { given, slider }
  }
  it('goes by half degrees with the keys, and by dragging up', () => {
    const { given, slider } = knob()
    for (const key of ['ArrowUp', 'ArrowDown', 'PageUp', 'Home', 'x']) fireEvent.keyDown(slider, { key })
    expect(given).toEqual([1.5, 0.5, 6, 0])
    expect(slider.getAttribute('aria-valuetext')).toBe('1.0°, front up')
    slider.setPointerCapture = () => undefined
    pointer(slider, 'pointerdown', 100)
    pointer(slider, 'pointermove', 80)
    pointer(slider, 'pointerup', 0)
    pointer(slider, 'pointermove', 10)
    expect(given.slice(4)).toEqual([3])
  })
  it('stays when it is locked', () => {
    const { given, slider } = knob(true)
    fireEvent.keyDown(slider, { key: 'ArrowUp' })
    pointer(slider, 'pointerdown', 100)
    pointer(slider, 'pointermove', 80)
    expect(given).toEqual([])
  })
})

const level = { lateralDegrees: 0, anteroposteriorDegrees: 0 }
const tilted = { lateralDegrees: 5, anteroposteriorDegrees: 0 }
const best = (levelIsAsGood: boolean): BestTilt => ({
  chosen: { tilt: levelIsAsGood ? level : tilted, value: 1700 },
  level: { tilt: level, value: 1710 },
  present: { tilt: { lateralDegrees: 2, anteroposteriorDegrees: 1 }, value: 1800 },
  levelIsAsGood,
  tried: 160,
})

const cast = { min: [-30, -5, 0], max: [30, 45, 20] } as const

describe('what is blocked out', () => {
  const panel = (change: Partial<Parameters<typeof RoomPanel>[0]> = {}) => {
    const given: unknown[] = []
    const shown = show(
      <RoomPanel
        cubicMillimetres={1800}
        rooms={{ answer: [1800, 1900, 2400] }}
        cast={cast}
        bodies={[
          { cubicMillimetres: 900, middle: [20, 5, 8] },
          { cubicMillimetres: 300, middle: [-18, 35, 8] },
        ]}
        taper="0"
        tilt={level}
        arch="upper"
        best={undefined}
        searching={undefined}
        aims={[['room', 'least wax']]}
        onTaper={(taper) => given.push(taper)}
        onBest={(aim) => given.push(aim)}
        onStop={() => undefined}
        onTilt={(tilt) => given.push(tilt)}
        {...change}
      />,
    )
    return { ...shown, given, region: screen.getByRole('region', { name: 'Block out' }) }
  }
  it('in mL and in grams of wax at 0.95 g/cm3, and as plaster in Mix', () => {
    const { region } = panel()
    expect(region.textContent).toContain('1.80 mL = 1.71 g of wax')
    expect(within(region).getByRole('link').getAttribute('href')).toBe('/mix?material=model-plaster&cm3=1.80')
  })
  it('says where it goes, the most first', () => {
    const { region } = panel()
    expect(
      within(region)
        .getAllByRole('listitem')
        .map((each) => each.textContent),
    ).toEqual(['left, back0.900 mL', 'right, front0.300 mL'])
  })
  it('with a taper it is the room of that taper', () => {
    expect(panel({ taper: '6' }).region.textContent).toContain('2.40 mL = 2.28 g of wax')
  })
  it('level is always compared, and said where it is as good', async () => {
    const { user, given, region } = panel({ best: { aim: 'room', answer: { answer: best(true) } } })
    expect(region.textContent).toContain('No tilt is as good as the table level: leave it so.')
    const rows = within(region).getByRole('list', { name: 'Tilts compared' })
    expect(
      within(rows)
        .getAllByRole('button')
        .map((each) => each.textContent),
    ).toEqual(['Table levellevel1.71 mL', 'Yoursfront up 1°, left side up 2°1.80 mL'])
    await user.click(within(rows).getByRole('button', { name: /^Yours/ }))
    expect(given).toEqual([{ lateralDegrees: 2, anteroposteriorDegrees: 1 }])
  })
  it('a better tilt is offered', async () => {
    const { user, given, region } = panel({ best: { aim: 'room', answer: { answer: best(false) } } })
    await user.click(within(region).getByRole('button', { name: /^Best/ }))
    expect(given).toEqual([tilted])
    expect(region.textContent).not.toContain('No tilt')
  })
  it('while it looks it says how far it is, and can be stopped', async () => {
    const { user, given, region } = panel({
      searching: { aim: 'room', tried: 57 },
      onStop: () => given.push('stopped'),
    })
    expect(region.textContent).toContain('57 tilts')
    await user.click(within(region).getByRole('button', { name: 'Stop' }))
    expect(given).toEqual(['stopped'])
  })
})

const wall = (depthMillimetres: number): WallPlace => ({
  point: [1, 2, 3],
  out: 0,
  up: 0,
  downMillimetres: 2.714,
  dropMillimetres: 2,
  depthMillimetres,
  angleDegrees: 24,
})
const surveyed = (change: Partial<SurveyedPlace> = {}): SurveyedPlace => ({
  tap: [1, 2, 3],
  deepestMillimetres: 0.7,
  walls: [],
  section: { runs: [], out: [1, 0, 0], origin: [0, 0, 0] },
  line: undefined,
  tip: wall(0.5),
  levelMillimetres: 0.312,
  words: [],
  ...change,
})
const draft = surveyFor('clasp', 'upper')
const first = { ...placeAt(draft, [1, 2, 3]), name: '24' }

describe('a place', () => {
  it('says how deep, whether the arm springs back, and how far to open the dividers', () => {
    show(
      <PlacePanel
        place={first}
        found={{ answer: surveyed() }}
        onWhichTilt={() => undefined}
        onPlace={() => undefined}
        onRemove={() => undefined}
      />,
    )
    expect(screen.getByText('0.5 mm')).toBeTruthy()
    expect(document.body.textContent).toContain('It springs back: at 45 % of its limit, about 2.6 N.')
    expect(document.body.textContent).toContain('0.31 mm when level')
    expect(document.body.textContent).toContain('Dividers: 2.71 mm down the tooth from the line, wall at 24°')
  })
  it('not deep enough: the deepest there is, and what to do', () => {
    const say = 'Deepest here is 0.2. Another tooth.'
    const { tip: _none, ...rest } = surveyed({
      deepestMillimetres: 0.2,
      words: [{ code: 'no-undercut-here', say }],
    })
    show(
      <PlacePanel
        place={first}
        found={{ answer: { ...rest, tip: undefined } }}
        onWhichTilt={() => undefined}
        onPlace={() => undefined}
        onRemove={() => undefined}
      />,
    )
    expect(screen.getByText('0.2 mm')).toBeTruthy()
    expect(screen.getByText(say)).toBeTruthy()
    expect(document.body.textContent).not.toContain('Dividers')
  })
  it('is named by the side of the patient, and its figures are read or not', () => {
    expect(placeAt(draft, [4, 0, 0]).name).toBe('Place 1, left side')
    expect(placeAt({ ...draft, arch: 'lower' }, [4, 0, 0]).name).toBe('Place 1, right side')
    expect(whereWords('lower', [1, 40, 0], cast)).toBe('middle, front')
    expect(whereWords('lower', [20, 18, 0], cast)).toBe('right, side')
    expect([faceWords([20, 10, 5], [1, 0, 0], cast), faceWords([20, 10, 5], [-1, 0, 0], cast)]).toEqual([
      'outer side',
      'inner side',
    ])
    expect(gaugeOf({ ...first, gauge: '2.5' })).toBeUndefined()
    expect(gaugeOf({ ...first, gauge: '0.25' })).toBe(0.25)
    expect(armOf({ ...usualArm('clasp'), thick: '' })).toBeUndefined()
    expect(armOf({ ...usualArm('blockOut'), shape: 'arc' })).toEqual({
      material: 'copolyester',
      run: { shape: 'arc', radiusMillimetres: 5, degrees: 120 },
      cut: { section: 'strip', widthMillimetres: 4, thickMillimetres: 1.2 },
    })
  })
})

describe('what goes on record', () => {
  const state = {
    scan: { name: 'cast.stl', opened: { sha256: 'a'.repeat(64), triangles: 9 } },
    survey: { full: {}, cubicMillimetres: 1800 },
    counted: { floorMillimetres: 3.004, painted: [], gum: [] },
  } as unknown as SurveyState
  const of = (change: object = {}) =>
    recordOf({
      draft: { ...draft, places: [first], tilt: tilted },
      state,
      sheet: { kind: 'survey' } as StepSheet,
      pieces: undefined,
      surveyed: new Map([[first.id, surveyed()]]),
      millilitres: 1.8,
      ...change,
    })
  it('the scan by its hash, the tilt, every place with its arm, what is blocked out', () =>
    expect(of()).toEqual({
      kind: 'survey',
      by: 'scan',
      arch: 'upper',
      file: { name: 'cast.stl', sha256: 'a'.repeat(64), triangles: 9 },
      tilt: tilted,
      floorMillimetres: 3,
      painted: false,
      blockOutMillilitres: 1.8,
      taperDegrees: 0,
      places: [
        {
          place: '24',
          gaugeMillimetres: 0.5,
          depthMillimetres: 0.5,
          levelMillimetres: 0.31,
          downMillimetres: 2.71,
          arm: {
            material: 'steel',
            run: { shape: 'straight', freeMillimetres: 15 },
            cut: { section: 'round', millimetres: 0.9 },
          },
        },
      ],
    }))
  it('nothing while a place is not surveyed yet, or the table still moves', () => {
    expect(of({ surveyed: new Map() })).toBeUndefined()
    expect(of({ state: { ...state, survey: { cubicMillimetres: 1 } } })).toBeUndefined()
  })
  it('the saw plan takes the thinner side of each pair of cuts', () => {
    const out = { whole: true, offStraightDegrees: 20.004 } as WayOut
    const pieces = {
      middleMillimetres: 9.87,
      cuts: [
        { at: 'canine', stoneMillimetres: 12.34 },
        { at: 'canine', stoneMillimetres: 11.96 },
        { at: 'end', stoneMillimetres: 14 },
        { at: 'end', stoneMillimetres: 15 },
      ],
      pieces: [
        { name: 'Front', out, flangeUndercutMillimetres: 1.23, fromDegrees: -42, toDegrees: 42 },
        { name: 'Left side', out, flangeUndercutMillimetres: 2, fromDegrees: 42, toDegrees: 108 },
      ],
    } as unknown as StonePieces
    expect(of({ sheet: { kind: 'sawPlan' }, pieces })).toMatchObject({
      kind: 'sawPlan',
      heights: { middle: 9.9, canines: 12, ends: 14, midline: 12, labialUndercut: 1.2 },
      survey: { pieces: [{ name: 'Front', whole: true, inwardsDegrees: 20, undercutMillimetres: 1.23 }, {}] },
    })
  })
})

it('the corners of the base are read out as they are drawn', () => {
  const corner = (name: string, x: number, y: number, liftMillimetres: number) => ({
    name,
    x,
    y,
    liftMillimetres,
  })
  show(
    <LiftsDrawing
      arch="upper"
      lifts={[
        corner('right back', -30, 0, 2),
        corner('left back', 30, 0, 7.2),
        corner('left front', 24, 48, 4.2),
        corner('right front', -24, 48, 0),
      ]}
    />,
  )
  expect(screen.getByRole('img').getAttribute('aria-label')).toContain('left back 7.2')
})
