import { describe, expect, it } from '@jest/globals'
import { screen } from '@testing-library/react'
import { stepOf } from '@yentrik/core'
import { Bench } from '@yentrik/core/testing'
import { show } from '../testing/lab.tsx'
import { FaultCauses } from './FaultCauses.tsx'

const causes = (bench: Bench, stepId: string) =>
  show(<FaultCauses job={bench.job} step={stepOf(bench.job, stepId)} />)

describe('what may have caused a fault', () => {
  it('is not asked while nothing was found', () => {
    const bench = new Bench('complete-denture').upTo('mould-tells')
    const { container } = causes(bench, 'mould-tells')
    expect(container.querySelector('section')).toBeNull()
  })
  it('is listed with what the record says for and against it, and what to change', () => {
    const step = stepOf(new Bench('complete-denture').job, 'mould-tells')
    let listed = 0
    const check = step.checks!.find(({ means }) => means === 'resinSurface')!
    if (check.kind !== 'observe') throw new Error('a look')
    for (const { answer, outcome } of check.answers) {
      if (outcome.verdict === 'pass') continue
      const bench = new Bench('complete-denture').upTo('mould-tells')
      bench.check('mould-tells', check.id, answer)
      const { unmount, container } = causes(bench, 'mould-tells')
      const found = container.querySelector('section')
      if (found) {
        listed++
        expect(found.getAttribute('aria-label')).toBe('What may have caused it')
        expect(screen.getByRole('heading', { level: 4 }).textContent).toContain(answer.toLowerCase())
        const lines = [...found.querySelectorAll('li')].map(({ textContent }) => textContent ?? '')
        expect(lines.length).toBeGreaterThan(0)
        for (const line of lines) {
          expect(line).toMatch(/The record speaks for it|Nothing on record|The record speaks against it/)
          expect(line).not.toMatch(/undefined|NaN|\[object/)
        }
        // What the record speaks for comes first, what it speaks against last.
        const rank = (line: string) =>
          /speaks for it/.test(line) ? 0 : /Nothing on record/.test(line) ? 1 : 2
        expect(lines.map(rank)).toEqual(lines.map(rank).sort())
      }
      unmount()
    }
    expect(listed).toBeGreaterThan(0)
  })
})
