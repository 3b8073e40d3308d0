import { describe, expect, it } from '@jest/globals'
import { screen, waitFor } from '@testing-library/react'
import { Bench } from '@yentrik/core/testing'
import type { ReactElement } from 'react'
import { usePreferences } from '../preferences/preferences.ts'
import { caseOnServer } from '../testing/case.ts'
import { show } from '../testing/lab.tsx'
import { lot } from '../testing/shelf.ts'
import { CommandSheet } from './CommandSheet.tsx'
import { DocketPaper } from './DocketPaper.tsx'
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
    bench.upTo('deliver')
    const { text } = await paper(bench, <StatementPaper />)
    expect(text()).toContain('Alder Row, Alder Row 4')
    expect(text()).toContain('number K-1')
    expect(screen.getByRole('region', { name: 'To complete' })).toBeTruthy()
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
