import {
  HELD_UNDERCUT_MILLIMETRES,
  type SawPlace,
  type StoneHeights,
  sawPlaceName,
  sawPlan,
} from '@yentrik/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { attempt } from '../parts/attempt.ts'
import { useDraft } from '../parts/draft.ts'
import { FigureFields } from '../parts/FigureFields.tsx'
import { Message } from '../parts/Message.tsx'
import { readNumber } from '../parts/read-number.ts'
import { readAll } from '../parts/typed-figures.ts'
import { Said } from '../preferences/words.tsx'
import type { SheetEntryProps } from '../record/sheet-entry.ts'
import { SawPlanDrawing } from './SawPlanDrawing.tsx'

type Key = SawPlace | 'labialUndercut'
const keys: readonly Key[] = ['middle', 'canines', 'ends', 'labialUndercut']

/** The stone as it was measured on the cast; the cuts are drawn as it is typed. */
export function SawPlanEntry({
  sheet,
  last,
  caseId,
  job,
  step,
  draftKey,
  refusal,
  open,
  onRecord,
}: SheetEntryProps<'sawPlan'>) {
  const { arch } = sheet
  const [typed, keep, forget] = useDraft<Readonly<Record<string, string>>>(draftKey, () =>
    last
      ? Object.fromEntries(Object.entries(last.heights).map(([key, value]) => [key, String(value)]))
      : { labialUndercut: '0' },
  )
  const [tried, setTried] = useState(false)
  const held = (readNumber(typed.labialUndercut ?? '', 'mm').value ?? 0) > HELD_UNDERCUT_MILLIMETRES
  const asked: readonly Key[] = held ? [...keys, 'midline'] : keys
  const units = Object.fromEntries(asked.map((key) => [key, 'mm']))
  const { values, faults } = readAll(typed, asked, units)
  const heights = values as StoneHeights | undefined
  const { answer: plan, refusal: cannot } = heights ? attempt(() => sawPlan(arch, heights)) : {}
  const specs = asked.map((key) => ({
    key,
    label:
      key === 'labialUndercut'
        ? 'Undercut at the outer flange'
        : `Stone, ${sawPlaceName(arch, key).toLowerCase()}`,
    unit: 'mm',
  }))
  return (
    <form
      className="grid gap-3"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        setTried(true)
        if (open && heights && plan)
          void onRecord({ kind: 'sawPlan', heights }).then((kept) => kept && forget())
      }}
    >
      <Link
        className="link justify-self-start"
        to={`/survey?case=${caseId}&job=${job.jobId}&step=${step.id}&sheet=${sheet.id}&view=recovery`}
      >
        The cast was scanned: take it from the scan
      </Link>
      {last?.survey && (
        <ul className="grid gap-1">
          {last.survey.pieces.map(({ name, whole, inwardsDegrees }) => (
            <li key={name}>
              <Message tone={whole ? 'good' : 'warning'}>
                {whole
                  ? `${name}: inwards at ${Math.round(inwardsDegrees)}°, it comes whole`
                  : `${name}: locked, split it along the crest`}
              </Message>
            </li>
          ))}
        </ul>
      )}
      <SawPlanDrawing arch={arch} plan={plan} />
      <FigureFields specs={specs} typed={typed} faults={faults} onTyped={keep} wanted={tried} />
      {cannot && <Message tone="error" words={cannot} />}
      {plan && (
        <ol className="grid list-decimal gap-1 pl-6 text-lg" aria-label="In this order">
          {plan.order.map((line, n) => (
            <li key={n}>
              <Said words={line} />
            </li>
          ))}
        </ol>
      )}
      {refusal && <Message tone="error" words={refusal} />}
      <button type="submit" className="act justify-self-start" disabled={!open}>
        Record
      </button>
    </form>
  )
}
