import { type SurveyArch, showTooth } from '@yentrik/core'
import { useState } from 'react'
import { Link } from 'react-router'
import { Pills } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberEntry } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { usePreferences } from '../preferences/preferences.ts'
import { useMillimetres } from '../preferences/words.tsx'
import type { SheetEntryProps } from '../record/sheet-entry.ts'

interface Reading {
  readonly key: number
  readonly place: string
  readonly depth: string
}
interface ByGauge {
  readonly arch: SurveyArch
  readonly gauge: string
  readonly readings: readonly Reading[]
}

/** A survey: from a scan on its own screen, or by hand, the gauge read at each place. */
export function SurveyEntry({
  sheet,
  last,
  caseId,
  job,
  step,
  teeth,
  draftKey,
  refusal,
  open,
  onRecord,
}: SheetEntryProps<'survey'>) {
  const mm = useMillimetres(2)
  const notation = usePreferences((preferences) => preferences.teeth)
  const [draft, keep, forget] = useDraft<ByGauge>(draftKey, () => ({
    arch: last?.arch ?? (job.route.choices.arch === 'lower' ? 'lower' : 'upper'),
    gauge: String(last?.places[0]?.gaugeMillimetres ?? sheet.usualGauge),
    readings:
      last && last.by === 'gauges'
        ? last.places.map(({ place, depthMillimetres }, key) => ({
            key,
            place,
            depth: String(depthMillimetres),
          }))
        : Array.from({ length: Math.max(1, sheet.leastPlaces) }, (_, key) => ({
            key,
            place: teeth[key] === undefined ? '' : showTooth(teeth[key], notation),
            depth: '',
          })),
  }))
  const [tried, setTried] = useState(false)
  const gauge = readNumber(draft.gauge, 'mm')
  const read = draft.readings.map((each) => ({ ...each, ...readNumber(each.depth, 'mm') }))
  const change = (key: number, to: Partial<Reading>) =>
    keep((before) => ({
      ...before,
      readings: before.readings.map((each) => (each.key === key ? { ...each, ...to } : each)),
    }))
  const fault = read.find(({ value }) => value === undefined)?.fault ?? gauge.fault
  const record = async () => {
    setTried(true)
    const gaugeMillimetres = gauge.value
    const places = read.flatMap(({ place, value }) =>
      value === undefined || gaugeMillimetres === undefined
        ? []
        : [{ place, gaugeMillimetres, depthMillimetres: value }],
    )
    if (places.length < read.length) return
    if (await onRecord({ kind: 'survey', by: 'gauges', arch: draft.arch, places })) forget()
  }
  return (
    <div className="grid gap-4">
      <Link
        className={last ? 'act justify-self-start' : 'act-main justify-self-start'}
        to={`/survey?case=${caseId}&job=${job.jobId}&step=${step.id}&sheet=${sheet.id}&view=${step.instrument?.view ?? 'clasp'}`}
      >
        Survey a scan of the cast
      </Link>
      {last?.by === 'scan' && last.blockOutMillilitres !== undefined && (
        <p className="font-semibold">
          Block out {last.blockOutMillilitres.toFixed(2)} mL;{' '}
          {last.places.map((each) => `${each.place} ${mm(each.depthMillimetres)}`).join(', ')}
        </p>
      )}
      <form
        className="grid gap-3"
        noValidate
        onSubmit={(event) => {
          event.preventDefault()
          void record()
        }}
      >
        <div className="flex flex-wrap items-end gap-4">
          <Pills<SurveyArch>
            label="By gauge, without a scan"
            options={[
              ['upper', 'Upper'],
              ['lower', 'Lower'],
            ]}
            value={draft.arch}
            onChoose={(arch) => keep((before) => ({ ...before, arch }))}
          />
          <span className="flex items-center gap-2">
            Wanted
            <NumberEntry
              name="Gauge wanted"
              unit="mm"
              text={draft.gauge}
              onText={(text) => keep((before) => ({ ...before, gauge: text }))}
              wrong={tried && gauge.value === undefined}
              size="narrow"
            />
          </span>
        </div>
        {draft.readings.map((each, n) => (
          <div key={each.key} className="flex items-center gap-2">
            <input
              className="entry grow"
              aria-label={`Place ${n + 1}`}
              placeholder="tooth and side"
              value={each.place}
              onChange={(event) => change(each.key, { place: event.target.value })}
            />
            <NumberEntry
              name={`Undercut at place ${n + 1}`}
              unit="mm"
              text={each.depth}
              onText={(depth) => change(each.key, { depth })}
              wrong={tried && read[n]!.value === undefined}
              size="middle"
            />
            {draft.readings.length > sheet.leastPlaces && (
              <button
                type="button"
                className="small-act"
                aria-label={`Take place ${n + 1} away`}
                onClick={() =>
                  keep((before) => ({
                    ...before,
                    readings: before.readings.filter(({ key }) => key !== each.key),
                  }))
                }
              >
                ×
              </button>
            )}
          </div>
        ))}
        <div className="flex flex-wrap gap-2">
          <button type="submit" className="act" disabled={!open}>
            Record
          </button>
          <button
            type="button"
            className="small-act"
            onClick={() =>
              keep((before) => ({
                ...before,
                readings: [
                  ...before.readings,
                  { key: Math.max(0, ...before.readings.map(({ key }) => key)) + 1, place: '', depth: '' },
                ],
              }))
            }
          >
            Another place
          </button>
        </div>
        {tried && fault && <Message tone="error">{fault}</Message>}
        {refusal && <Message tone="error" words={refusal} />}
      </form>
    </div>
  )
}
