import type { JobYield, QualityFigures, StepYield } from '@yentrik/core'
import { flowParts } from '@yentrik/core'
import { useState } from 'react'
import { SelectField } from '../parts/Choices.tsx'
import { DataTable } from '../table/DataTable.tsx'
import type { CasesShown } from './CasesSheet.tsx'
import { FindingsCard } from './FindingsCard.tsx'
import { hoursWords, jobName, percent, shareWords, stepName } from './quality-words.ts'

const partWords = {
  held: 'held',
  dentist: 'dentist asked',
  clinic: 'at the clinic',
  hands: 'hands on it',
  byItself: 'by itself',
  queue: 'waiting its turn',
  closed: 'lab closed',
} as const
const partTones = {
  held: 'var(--color-error)',
  dentist: 'var(--color-warning)',
  clinic: 'var(--color-info)',
  hands: 'var(--color-primary)',
  byItself: 'var(--stone)',
  queue: 'var(--wax)',
  closed: 'var(--color-base-300)',
} as const

/** One kind of job, step by step: how often it was right the first time, and what it cost where it was not. */
export function StepsView({
  figures,
  onCases,
}: {
  readonly figures: QualityFigures
  readonly onCases: (shown: CasesShown) => void
}) {
  const [template, setTemplate] = useState(figures.yields[0]?.template)
  const job = figures.yields.find((each) => each.template === template)
  if (!job)
    return <p className="card-flat p-5">No job was delivered in the last year: there is no first pass yet.</p>
  const most = Math.max(1, ...job.steps.map(({ handsMinutes }) => handsMinutes))
  const cell = (step: StepYield) => (
    <span className="block h-5 w-full" aria-hidden>
      <span
        className="bg-base-300 relative block h-full overflow-hidden rounded-md"
        style={{ width: `${Math.max(2, (100 * step.handsMinutes) / most)}%` }}
      >
        <span
          className="bg-primary/60 absolute inset-x-0 bottom-0"
          style={{ height: `${100 * step.firstPass.share}%` }}
        />
        <span
          className="bg-warning absolute inset-y-0 right-0"
          style={{
            width: `${step.handsMinutes > 0 ? Math.min(100, (100 * step.lostMinutes) / step.handsMinutes) : 0}%`,
          }}
        />
      </span>
    </span>
  )
  return (
    <section className="grid grid-cols-[minmax(0,1fr)] gap-3" aria-label="Steps">
      <div className="card-flat grid grid-cols-[minmax(0,1fr)] gap-3 p-5 lg:grid-cols-[18rem_minmax(0,1fr)]">
        <SelectField
          label="Job"
          options={figures.yields.map((each) => [each.template, jobName(each.template)] as const)}
          value={job.template}
          onChoose={setTemplate}
        />
        <Rolled job={job} />
      </div>
      <DataTable
        name="First pass of the steps"
        rows={job.steps}
        keyOf={({ step }) => step}
        onOpen={(step) =>
          onCases({ title: `Back to ${stepName(job.template, step.step)}`, cases: step.cases })
        }
        rowHeight={52}
        csv={{
          file: `steps-${job.template}.csv`,
          columns: [
            { name: 'step', value: ({ step }) => stepName(job.template, step) },
            { name: 'first_pass_count', value: ({ firstPass }) => firstPass.count },
            { name: 'first_pass_of', value: ({ firstPass }) => firstPass.of },
            { name: 'share', value: ({ firstPass }) => firstPass.share },
            { name: 'share_low', value: ({ firstPass }) => firstPass.low },
            { name: 'share_high', value: ({ firstPass }) => firstPass.high },
            { name: 'hands', unit: 'min', value: ({ handsMinutes }) => handsMinutes },
            { name: 'hands_lost', unit: 'min', value: ({ lostMinutes }) => lostMinutes },
          ],
        }}
        columns={[
          {
            id: 'step',
            name: 'Step',
            value: ({ step }) => stepName(job.template, step),
            show: ({ step }) => <b>{stepName(job.template, step)}</b>,
            width: 'minmax(10rem, 1.3fr)',
          },
          {
            id: 'first',
            name: 'Right the first time',
            value: ({ firstPass }) => firstPass.share,
            show: ({ firstPass }) => <span className="figures">{shareWords(firstPass)}</span>,
            width: 'minmax(9rem, 1.2fr)',
          },
          {
            id: 'hands',
            name: 'Hands, and what of them was lost',
            value: ({ handsMinutes }) => handsMinutes,
            show: cell,
            width: 'minmax(8rem, 1.4fr)',
            wideOnly: true,
          },
          {
            id: 'lost',
            name: 'Lost',
            value: ({ lostMinutes }) => lostMinutes,
            show: ({ lostMinutes }) => (
              <span className="figures">{lostMinutes > 0 ? hoursWords(lostMinutes / 60) : '–'}</span>
            ),
            width: '6rem',
            right: true,
          },
          {
            id: 'from',
            name: 'Found at',
            value: ({ sentFrom }) => sentFrom[0]?.count ?? 0,
            show: ({ sentFrom }) => (
              <span className="text-sm">
                {sentFrom
                  .map(
                    ({ step, count }) =>
                      `${step === null ? 'nobody knows' : stepName(job.template, step)} ${count}`,
                  )
                  .join(', ')}
              </span>
            ),
            width: 'minmax(8rem, 1.2fr)',
            wideOnly: true,
          },
        ]}
        empty="No step was done."
      />
      <FindingsCard />
    </section>
  )
}

function Rolled({
  job: { rolled, flow, touchShare, notRecorded, tooMuchMissing },
}: {
  readonly job: JobYield
}) {
  const all = flowParts.reduce((sum, part) => sum + flow[part], 0)
  return (
    <div className="grid gap-2">
      <p className={`text-lg ${tooMuchMissing ? 'opacity-60' : ''}`}>
        <b>Nothing done again in {shareWords(rolled.jobs)}</b>{' '}
        <span className="opacity-80">
          of the jobs of a year; if faults came singly it would be {percent(rolled.product)} %.
        </span>
        {notRecorded > 0 && (
          <span className={tooMuchMissing ? 'text-warning' : ''}>
            {' '}
            {notRecorded} verdicts were not recorded: that is not good, and not bad.
          </span>
        )}
      </p>
      <div
        className="flex h-6 overflow-hidden rounded-lg"
        role="img"
        aria-label={flowParts.map((part) => `${partWords[part]} ${Math.round(flow[part] / 60)} h`).join(', ')}
      >
        {flowParts.map((part) => (
          <span
            key={part}
            style={{ width: `${all > 0 ? (100 * flow[part]) / all : 0}%`, background: partTones[part] }}
          />
        ))}
      </div>
      <p className="figures flex flex-wrap gap-x-4 text-sm">
        {flowParts
          .filter((part) => flow[part] > 0.5)
          .map((part) => (
            <span key={part} className="flex items-center gap-1.5">
              <span className="size-3 rounded" style={{ background: partTones[part] }} />
              {partWords[part]} {hoursWords(flow[part] / 60)}
            </span>
          ))}
        <span>of the time it could be worked on, hands had {percent(touchShare)} %</span>
      </p>
    </div>
  )
}
