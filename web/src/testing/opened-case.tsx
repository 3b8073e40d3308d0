import { screen } from '@testing-library/react'
import type { Bench } from '@yentrik/core/testing'
import { CaseScreen } from '../case/CaseScreen.tsx'
import { useLabClock } from '../live/lab-clock.ts'
import { caseOnServer } from './case.ts'
import { type Shown, show } from './lab.tsx'

/** The case of a bench on its screen, the clock of the lab at the hour of the bench. @param more what else the server answers */
export async function openedCase(bench: Bench, more: object = {}): Promise<Shown> {
  caseOnServer(bench, more)
  useLabClock.setState({ labMillis: bench.now, steadyMillis: performance.now(), speed: 1, mayBeMoved: false })
  const shown = show(<CaseScreen />, { at: '/case/c1', pattern: '/case/:caseId' })
  await screen.findByRole('heading', { level: 1 })
  return shown
}
