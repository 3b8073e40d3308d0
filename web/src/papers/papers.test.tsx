import { describe, expect, it } from '@jest/globals'
import { screen, waitFor, within } from '@testing-library/react'
import { type CaseEvent, follow } from '@yentrik/core'
import { Bench, routes } from '@yentrik/core/testing'
import type { ReactElement } from 'react'
import { usePreferences } from '../preferences/preferences.ts'
import { caseOnServer } from '../testing/case.ts'
import { show } from '../testing/lab.tsx'
import { lot } from '../testing/shelf.ts'
import { CommandSheet } from './CommandSheet.tsx'
import { DeliveryPaper } from './DeliveryPaper.tsx'
import { DocketPaper } from './DocketPaper.tsx'
import { InstructionsPaper } from './InstructionsPaper.tsx'
import { LabelPaper } from './LabelPaper.tsx'
import { RecordPaper } from './RecordPaper.tsx'
import { StatementPaper } from './StatementPaper.tsx'

/** A code is drawn a moment after its paper. */
const qrDrawn = () =>
  waitFor(() => {
    for (const image of screen.queryAllByRole('img', { name: /^QR code/ }))
      expect(image.getAttribute('src')).toBeTruthy()
  })
const lab = { labName: 'Alder Row', address: 'Alder Row 4', variants: {} }
async function paper(bench: Bench, part: ReactElement, answers: object = {}) {
  caseOnServer(bench, { 'GET /lab': lab, 'GET /lots': [lot()], ...answers })
  const shown = show(part, { at: '/papers/x/c1', pattern: '/papers/x/:caseId' })
  await screen.findByRole('heading', { level: 1 })
  await qrDrawn()
  return { ...shown, text: () => screen.getByRole('main').textContent ?? '' }
}

describe('the docket', () => {
  it('says whose it is, what is wanted and when, large enough to read across a bench', async () => {
    const { text } = await paper(new Bench('study-cast', { arch: 'lower' }), <DocketPaper />)
    expect(text()).toContain('K-1')
    expect(screen.getByRole('heading', { level: 1 }).textContent).toBe('Study cast, lower')
    expect(text()).toContain('P-7')
    expect(text()).toContain('Mill Lane, Dr. Orla')
    expect(text()).toMatch(/Due .*20 Mar 2026/)
    // What is not noted takes no line.
    expect(screen.queryByText('Shade')).toBeNull()
  })
  it('names teeth as the bench does', async () => {
    const bench = new Bench('cast-crown')
    bench.do({ type: 'amend', changes: { teeth: [46] }, reason: 'left out' })
    usePreferences.setState({ teeth: 'universal' })
    const { text } = await paper(bench, <DocketPaper />)
    // FDI 46 is universal 30 (ISO 3950; ADA, recalled).
    expect(text()).toMatch(/Teeth30/)
  })
})

describe('the record', () => {
  it('draws the contacts that a remount ended with, each with the letter of its bite', async () => {
    const bench = new Bench('complete-denture').upTo('grind-centric')
    const mark = { region: 'fossa', strength: 'heavy' } as const
    bench.do({
      type: 'recordSheet',
      jobId: 'job-1',
      stepId: 'grind-centric',
      sheetId: 'rounds',
      sheet: {
        kind: 'remount',
        situation: { pinMillimetres: 0, seated: true, fixing: 'glue', posteriorStops: { right: 3, left: 3 } },
        rounds: [],
        contacts: [
          { ...mark, tooth: 36, bite: 'centric' },
          { ...mark, tooth: 16, bite: 'right' },
        ],
      },
    })
    await paper(bench, <RecordPaper />)
    const drawn = screen.getByRole('region', { name: 'Contacts after the remount' })
    expect(within(within(drawn).getByRole('img', { name: 'The lower arch' })).getByText('C')).toBeTruthy()
    expect(within(within(drawn).getByRole('img', { name: 'The upper arch' })).getByText('R')).toBeTruthy()
  })
  it('draws none where nothing was ground in', async () => {
    await paper(new Bench('study-cast'), <RecordPaper />)
    expect(screen.queryByRole('region', { name: 'Contacts after the remount' })).toBeNull()
  })
  it('holds every reading with its limit, every lot, and what was done again', async () => {
    const bench = new Bench().upTo('trim')
    bench.check('trim', 'back-angle', 84)
    bench.do({ type: 'correct', corrects: bench.working.state.sequence, value: 90, reason: 'read wrong' })
    const { text } = await paper(bench, <RecordPaper />)
    expect(text()).toContain('90°')
    expect(text()).toContain('84°')
    expect(text()).toContain('read wrong')
    expect(text()).toContain('Ada')
    expect(text()).not.toMatch(/undefined|NaN|\[object/)
  })
  it('says that it hangs together, and the hash of its newest entry', async () => {
    const { text } = await paper(new Bench(), <RecordPaper />)
    await waitFor(() => expect(text()).toContain('Made from 1 entries; each fits the one before it.'))
    expect(text()).toContain('Hash of the newest (SHA-256): f00d')
  })
  it('says where it does not', async () => {
    const chain = { events: 40, newest: 'f00d', looseAt: 7 }
    const { text } = await paper(new Bench(), <RecordPaper />, { 'GET /cases/:caseId/chain': chain })
    await waitFor(() => expect(text()).toContain('Entry 7 does not fit the one before it'))
  })
  it('names the people of another lab as theirs', async () => {
    const bench = new Bench().upTo('wrap')
    const { events, state } = bench.working
    const stamp = { sequence: state.sequence + 1, at: events.at(-1)!.at, by: 'Ada' }
    const imported: CaseEvent = { ...stamp, type: 'imported', chain: 'whole', lab: 'Kiln Street' }
    bench.working = follow(bench.working, imported, bench.working.routes, routes.templates)
    bench.finish('wrap')
    const { text } = await paper(bench, <RecordPaper />)
    const row = (name: string) => screen.getByText(name, { selector: 'td' }).closest('tr')?.textContent
    expect(row('Inspect the impression')).toContain('Ada (Kiln Street)')
    expect(row('Damp wrap')).toMatch(/Ada(?! \(Kiln)/)
    expect(text()).toContain('Imported from Kiln Street')
  })
  it('holds each reading that failed before the one that passed, and what was asked', async () => {
    const bench = new Bench().upTo('fill')
    bench.check('fill', 'no-holes', 'A hole is open')
    bench.check('fill', 'no-holes', 'None left')
    bench.do({ type: 'askDentist', jobId: 'job-1', stepId: 'fill', question: 'Which arch first?' })
    const { text } = await paper(bench, <RecordPaper />)
    expect(text()).toContain('Holes and blebs: A hole is open (does not pass), then None left')
    expect(text()).toMatch(/Done again, left out, asked, corrected.*Which arch first\?/)
  })
  it('adds up what was used of a material, by its corrected figures, with its packs', async () => {
    const bench = new Bench().upTo('pour-anatomy')
    const mix = { type: 'recordMix', jobId: 'job-1', stepId: 'pour-anatomy', amountId: 'stone' } as const
    const stone = { ...mix, materialId: 'dental-stone', lots: ['l-1'] }
    bench.do({ ...stone, powderGrams: 100, liquidMillilitres: 30 })
    bench.do({ ...stone, powderGrams: 20.74, liquidMillilitres: 6.2 })
    bench.do({
      type: 'correct',
      corrects: bench.working.state.sequence - 1,
      powderGrams: 110,
      liquidMillilitres: 33,
      reason: 'misread',
    })
    const { text } = await paper(bench, <RecordPaper />)
    expect(text()).toContain('Dental stone, type 3: 130.74 g in all, lot S-77')
  })
  it('holds the alloy that was melted, its pack and what of it was melted before', async () => {
    const bench = new Bench('cast-crown').upTo('weigh-metal')
    const piece = (id: string, shares: number[]) => ({
      id,
      grams: 4.26,
      lots: [{ lotId: 'l-1', share: 1 }],
      history: { shares },
    })
    bench.sheet('weigh-metal', 'charge', {
      kind: 'charge',
      alloyId: 'gold-type-3',
      pieces: [piece('a', [1]), piece('b', [0, 1])],
    })
    const { text } = await paper(bench, <RecordPaper />)
    expect(text()).toContain('Gold alloy, type 3: 8.52 g in all, lot S-77, 50 % of it melted before')
  })
  it('says why something was done out of its time', async () => {
    const bench = new Bench().upTo('set')
    bench.check('set', 'heat-gone', 'Cool')
    bench.now += 10 * 60_000
    bench.do({ type: 'finishStep', jobId: 'job-1', stepId: 'set', outOfTimeReason: 'fast stone' })
    const { text } = await paper(bench, <RecordPaper />)
    expect(text()).toContain('out of its time: fast stone')
    expect(text()).toContain('Finished "Stone sets" (too soon: fast stone)')
  })
  it('says that it is not finished where it is not', async () => {
    const { text } = await paper(new Bench().upTo('trim'), <RecordPaper />)
    expect(text().toLowerCase()).toMatch(/not delivered|still in|not finished|in work/)
  })
})

describe('the statement on a custom-made device', () => {
  it('waits until the case may leave, and says so', async () => {
    await paper(new Bench(), <StatementPaper />)
    expect(screen.getByRole('alert').textContent).toMatch(/\w.*\./)
    expect(screen.queryByRole('region', { name: 'To complete' })).toBeNull()
  })
  it('names maker, device, patient and materials, and what is to be completed', async () => {
    const bench = new Bench('cast-posts')
    bench.upTo('disinfect-leave')
    const { text } = await paper(bench, <StatementPaper />)
    expect(text()).toContain('Alder Row, Alder Row 4')
    expect(text()).toContain('number K-1')
    expect(text()).toContain('Cast post and core for 35, 36, 37, made here in Casting alloy.')
    expect(screen.getByRole('region', { name: 'To complete' })).toBeTruthy()
  })
})

describe('what goes out with the work', () => {
  it('a label says that a device is custom-made, for whom, and who made it where', async () => {
    const { text } = await paper(new Bench('cast-bridge'), <LabelPaper />)
    expect(text()).toContain('Custom-made device')
    expect(text()).toContain('For P-7, teeth 35, 36, 37')
    expect(text()).toContain('Made by Alder Row, Alder Row 4')
    expect(text()).toContain('K-1/job-1')
  })
  it('a cast is none, and is labelled all the same', async () => {
    const { text } = await paper(new Bench(), <LabelPaper />)
    expect(text()).not.toContain('Custom-made device')
    expect(text()).toContain('For P-7')
  })
  it('where the lab has no address there is room to write it', async () => {
    const { text } = await paper(new Bench(), <LabelPaper />, { 'GET /lab': { ...lab, address: '' } })
    expect(text()).toContain('address: ____')
  })
  it('a delivery note lists the work, its papers and what came along', async () => {
    const bench = new Bench('cast-bridge')
    bench.do({ type: 'amend', changes: { enclosures: ['Tray', 'Wax bite'] }, reason: 'left out' })
    const { text } = await paper(bench, <DeliveryPaper />)
    const lines = (title: string) =>
      within(screen.getByRole('region', { name: title }))
        .getAllByRole('listitem')
        .map((line) => line.textContent?.trim())
    expect(lines('What is delivered')).toEqual([
      'Three-unit bridge, teeth 35, 36, 37',
      'Statement on the custom-made device',
      'Instructions for use',
    ])
    expect(lines('What came along and goes back')).toEqual(['Tray', 'Wax bite'])
    expect(text()).toContain('Not every step is done yet.')
  })
  it('of a cast has no statement with it, and says when nothing came along', async () => {
    const { text } = await paper(new Bench(), <DeliveryPaper />)
    expect(text()).not.toContain('Statement')
    expect(text()).toContain('Nothing came along.')
  })
})

describe('a device that left', () => {
  const bench = new Bench('complete-denture')
  bench.do({ type: 'amend', changes: { enclosures: ['Tray', 'Wax bite', 'Rim'] }, reason: 'left out' })
  bench.upTo('hand-over')
  it('its delivery note says only what is on record: nobody has handed it over', async () => {
    const { text } = await paper(bench, <DeliveryPaper />)
    expect(text()).toContain('Not handed over yet')
    expect(text()).toContain('Stood in water for 24 h')
    expect(text()).toMatch(/Disinfected: Surface disinfectant, contact time 5 min; Ada, /)
    expect(text()).toMatch(/Moist in a sealed bag; Ada, /)
    expect(text()).toMatch(/Made at Harbour Lab, 3 Quay.*Released by Ada, /)
  })
  it('then what went back, what was used up, and who handed it over', async () => {
    const done = new Bench('complete-denture')
    done.working = bench.working
    done.now = bench.now
    const went = [
      { name: 'Tray', way: 'back' },
      { name: 'Wax bite', way: 'usedUp' },
      { name: 'Rim', way: 'kept' },
    ] as const
    done.sheet('hand-over', 'enclosures', { kind: 'enclosures', went })
    done.finish('hand-over')
    const { text } = await paper(done, <DeliveryPaper />)
    const region = (name: string) => screen.getByRole('region', { name }).textContent
    expect(region('What came along and goes back')).toMatch(/Tray$/)
    expect(region('Used up, or kept by the lab')).toMatch(/Wax bite: used up.*Rim: stays with the lab/)
    expect(text()).toMatch(/handed over by Ada, /)
    expect(text()).not.toContain('Not every step is done yet.')
  })
  it('the statement names the places and who released it', async () => {
    const { text } = await paper(bench, <StatementPaper />)
    expect(text()).toMatch(/Made atHarbour Lab, 3 Quay/)
    expect(text()).toMatch(/Released byAda, /)
  })
  it('has instructions, the patient and the clinic each with their own', async () => {
    const { text } = await paper(bench, <InstructionsPaper />)
    expect(text()).toMatch(/For the patient.*No hot water.*For the clinic.*Kept moist/)
    expect(text()).toContain('licensed dentist')
  })
  it('a cast has none', async () => {
    const { text } = await paper(new Bench(), <InstructionsPaper />)
    expect(text()).toContain('a cast or a mounting has none')
  })
})

describe('the command sheet', () => {
  it('has a code for each word that a scanner may say', async () => {
    show(<CommandSheet />)
    await qrDrawn()
    const text = screen.getByRole('main').textContent ?? ''
    for (const word of [/start/i, /done/i, /not now/i, /fault/i, /weigh/i]) expect(text).toMatch(word)
  })
})
