import {
  compareSetUp,
  DomainError,
  type Prescription,
  type Saying,
  type SetUpLine,
  type SetUpReading,
  type SetUpTolerances,
} from '@yentrik/core'
import { useState } from 'react'
import { refusalWords } from '../parts/attempt.ts'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { Said, useMillimetres } from '../preferences/words.tsx'
import { FrontCompare, SideCompare } from './CompareDrawing.tsx'
import {
  measureFaults,
  readingOf,
  setUpMeasures,
  type Typed,
  toleranceNames,
  tolerancesOf,
  typedReading,
  typedTolerances,
  wantedAt,
} from './measure-entry.ts'

interface ComparePanelProps {
  readonly prescription: Prescription
  readonly draftKey: string
  readonly stored?: { readonly reading: SetUpReading; readonly tolerances: SetUpTolerances }
  readonly refusal?: Saying
  readonly onRecord?: (reading: SetUpReading, tolerances: SetUpTolerances) => Promise<boolean>
}

interface Draft {
  readonly typed: Typed
  readonly tolerances: Typed
}

/** The set-up measured again: each figure beside what the rim said, drawn, and what to move. */
export function ComparePanel({ prescription, draftKey, stored, refusal, onRecord }: ComparePanelProps) {
  const [draft, keep, forget] = useDraft<Draft>(draftKey, () => ({
    typed: stored ? typedReading(stored.reading) : {},
    tolerances: typedTolerances(stored?.tolerances),
  }))
  const [tried, setTried] = useState(false)
  const show = useMillimetres(2)
  const specs = setUpMeasures(prescription.arch)
  const faults = measureFaults(specs, draft.typed)
  const complete = Object.keys(faults).length === 0
  const { lines, refused } = complete
    ? held(prescription, readingOf(draft.typed), tolerancesOf(draft.tolerances))
    : { lines: [], refused: undefined }
  const wrong = lines.filter(({ verdict }) => verdict !== 'pass')
  const record = () => {
    setTried(true)
    if (!complete || refused || !onRecord) return
    void onRecord(readingOf(draft.typed), tolerancesOf(draft.tolerances)).then((kept) => kept && forget())
  }
  return (
    <form
      className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        record()
      }}
    >
      <section className="card-flat grid content-start gap-3 p-4" aria-label="Against the prescription">
        <FrontCompare prescription={prescription} lines={lines} />
        <div className="grid items-start gap-4 sm:grid-cols-[13rem_minmax(0,1fr)]">
          <div className="h-40">
            <SideCompare prescription={prescription} lines={lines} />
          </div>
          <section aria-label="What to move">
            {refused ? (
              <Message tone="error" words={refused} />
            ) : !complete ? (
              <p className="text-lg">
                Measure the same places on the teeth: {specs.length - Object.keys(faults).length} of{' '}
                {specs.length} entered.
              </p>
            ) : wrong.length === 0 ? (
              <p className="text-success text-4xl font-bold">As prescribed</p>
            ) : (
              <ul className="grid gap-2">
                {wrong.map((line) => (
                  <li key={line.name}>
                    <p className="text-error text-3xl leading-tight font-bold">
                      <Said words={line.say} />
                    </p>
                    <p className="figures">
                      {`${line.name}: wanted ${show(line.wantedMillimetres)}, found ${show(line.foundMillimetres)}, at most ${show(line.toleranceMillimetres)} off`}
                    </p>
                  </li>
                ))}
              </ul>
            )}
          </section>
        </div>
        {lines.length > 0 && <Lines lines={lines} show={show} />}
      </section>
      <aside className="card-flat content-start p-4" aria-label="What you read">
        <div className="grid grid-cols-2 gap-x-3">
          {specs.map(({ key, name, how }) => (
            <NumberField
              key={key}
              label={name}
              unit="mm"
              text={draft.typed[key] ?? ''}
              onText={(text) => keep({ ...draft, typed: { ...draft.typed, [key]: text } })}
              fault={tried || (draft.typed[key] ?? '') !== '' ? faults[key] : undefined}
              hint={`rim ${wantedAt(prescription, key)}, ${how}`}
            />
          ))}
        </div>
        <details className="mt-1">
          <summary className="min-h-11 cursor-pointer font-semibold">Tolerances</summary>
          <p className="mb-2 text-sm opacity-80">
            Common practice for level, centre line and fullness; the others our choice.
          </p>
          <div className="grid grid-cols-2 gap-x-3">
            {toleranceNames.map(([key, name]) => (
              <NumberField
                key={key}
                label={`${name}, off by at most`}
                unit="mm"
                text={draft.tolerances[key] ?? ''}
                onText={(text) => keep({ ...draft, tolerances: { ...draft.tolerances, [key]: text } })}
              />
            ))}
          </div>
        </details>
        {refusal && <Message tone="error" words={refusal} />}
        {onRecord && (
          <button type="submit" className="act-main mt-2">
            Record the set-up
          </button>
        )}
      </aside>
    </form>
  )
}

function held(
  prescription: Prescription,
  reading: SetUpReading,
  tolerances: SetUpTolerances,
): { lines: readonly SetUpLine[]; refused?: Saying } {
  try {
    return { lines: compareSetUp(prescription, reading, tolerances) }
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return { lines: [], refused: refusalWords(error) }
  }
}

function Lines({ lines, show }: { lines: readonly SetUpLine[]; show: (mm: number) => string }) {
  return (
    <details>
      <summary className="min-h-11 cursor-pointer font-semibold">Every measure</summary>
      <table className="figures w-full text-left">
        <thead>
          <tr>
            <th className="font-semibold">Measure</th>
            <th className="font-semibold">rim</th>
            <th className="font-semibold">teeth</th>
            <th className="font-semibold">off</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <tr key={line.name} className="border-base-300 border-t">
              <td className="py-1">{line.name}</td>
              <td>{show(line.wantedMillimetres)}</td>
              <td>{show(line.foundMillimetres)}</td>
              <td className={line.verdict === 'pass' ? '' : 'text-error font-bold'}>
                {show(line.offMillimetres)} {line.verdict === 'pass' ? '' : '(out)'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  )
}
