import {
  cureVerdict,
  type FollowedSection,
  ISO_RESIDUAL_PERCENT,
  qty,
  RESIDUAL_WITHIN,
  saying,
  type TemperatureProgram,
} from '@yentrik/core'
import type { ReactNode } from 'react'
import { clockTime, dayAndTime } from '../format/format.ts'
import { Message } from '../parts/Message.tsx'
import { Said } from '../preferences/words.tsx'
import { nextAt } from '../program/program-draft.ts'
import { outOf } from './cure-draft.ts'

const MINUTE = 60_000

/** What a bath comes to: when it is out and cold, how near to boiling, how much monomer stays. */
export function CureVerdictCard({
  sections,
  program,
  startAt,
  now,
  outBy,
}: {
  sections: readonly FollowedSection[]
  program: TemperatureProgram
  startAt: number
  now: number
  outBy: string
}) {
  const outAt = outOf(startAt, program)
  const openAt = startAt + Math.max(...sections.map(({ outcome }) => outcome.openFromMinutes)) * MINUTE
  const { standing, say, worst, mostMonomer } = cureVerdict(
    sections,
    (minutes) => saying`at ${{ moment: startAt + minutes * MINUTE }}`,
  )
  const left = mostMonomer.outcome.residualPercent
  const wanted = nextAt(outBy, startAt)
  const margin = Math.round(worst.outcome.marginCelsius)
  return (
    <>
      <p className="opacity-80">Out of the bath</p>
      <output className="figures text-6xl leading-none font-bold" aria-label="Out of the bath">
        {clockTime(outAt)}
      </output>
      <p>{`cold about ${dayAndTime(openAt, now)}: open from then, by the thermometer`}</p>
      <Line good={standing !== 'bad' || worst.outcome.risk !== 'high'} warn={worst.outcome.risk === 'watch'}>
        <b>
          <Said
            words={saying`${qty.celsiusApart(Math.abs(margin))} ${margin >= 0 ? 'below' : 'past'} boiling`}
          />
        </b>{' '}
        at the hottest place that can still boil
      </Line>
      <Line good={left <= ISO_RESIDUAL_PERCENT}>
        <b>about {left.toFixed(1)} % monomer</b>{' '}
        {`(${(left * (1 - RESIDUAL_WITHIN)).toFixed(1)}-${(left * (1 + RESIDUAL_WITHIN)).toFixed(1)}); limit ${ISO_RESIDUAL_PERCENT} %, ISO 20795-1:2013, recalled`}
      </Line>
      {wanted !== undefined && (
        <Line good={outAt <= wanted}>{outAt <= wanted ? `Out by ${outBy}` : `Not out by ${outBy}`}</Line>
      )}
      <p
        className={
          standing === 'good'
            ? 'sr-only'
            : `text-lg leading-snug font-semibold ${standing === 'bad' ? 'text-error' : ''}`
        }
        role="status"
        aria-label="In words"
      >
        <Said words={say} />.
      </p>
    </>
  )
}

function Line({ good, warn = false, children }: { good: boolean; warn?: boolean; children: ReactNode }) {
  return <Message tone={warn ? 'warning' : good ? 'good' : 'error'}>{children}</Message>
}
