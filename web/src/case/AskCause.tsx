import {
  type CauseHow,
  causeHow,
  faultsWithCauses,
  isRemake,
  lastBegun,
  type RankedCause,
  remakesToExplain,
  type SentBack,
  usualCauses,
} from '@yentrik/core'
import { useMemo, useState } from 'react'
import { workingOf } from '../away/on-top.ts'
import { dateAndTime } from '../format/format.ts'
import { Pills } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { Sheet } from '../parts/Sheet.tsx'
import { TextField } from '../parts/TextField.tsx'
import { Said } from '../preferences/words.tsx'
import { standingWords, useFindings } from '../quality/FaultCauses.tsx'
import type { OpenCase } from '../record/open-case.ts'

const howNames: Readonly<Record<CauseHow, string>> = {
  measured: 'Measured',
  seen: 'Seen',
  assumed: 'Assumed',
}

/** A remake asks once why: the fault finder's list in the order of this case and this lab. */
export function AskCause({ openCase }: { readonly openCase: OpenCase }) {
  const back = remakesToExplain(openCase.events).at(-1)
  const [later, setLater] = useState<number>()
  const [asking, setAsking] = useState(false)
  if (!back || later === back.sequence || !openCase.record) return null
  return (
    <section
      aria-label="Why it was made anew"
      className="card-flat border-warning flex flex-wrap items-center justify-between gap-3 border-2 px-5 py-3"
    >
      <p>
        <b>Made anew since {dateAndTime(Date.parse(back.at))}.</b> {reasonOf(back)}. What was the cause?
      </p>
      <div className="flex gap-2">
        <button type="button" className="small-act" onClick={() => setAsking(true)}>
          Say the cause
        </button>
        <button type="button" className="small-act" onClick={() => setLater(back.sequence)}>
          Later
        </button>
      </div>
      {asking && <CauseSheet openCase={openCase} back={back} onClose={() => setAsking(false)} />}
    </section>
  )
}

const reasonOf = (back: SentBack) => (back.type === 'wentBack' ? back.reason : back.answer).replace(/\.$/, '')

interface Choice {
  readonly cause: string
  readonly place?: string
  readonly fault?: string
}

function CauseSheet({
  openCase,
  back,
  onClose,
}: {
  readonly openCase: OpenCase
  readonly back: SentBack
  readonly onClose: () => void
}) {
  const findings = useFindings()
  const { record } = openCase
  // As the record stood just before it went back: what was entered since is of the next attempt.
  const lists = useMemo(() => {
    const before = workingOf({
      ...record!,
      events: record!.events.filter(({ sequence }) => sequence < back.sequence),
    })
    const job = before.state.jobs.find(({ jobId }) => jobId === back.jobId)!
    return faultsWithCauses(job, lastBegun(job), findings)
  }, [record, back, findings])
  const [chosen, setChosen] = useState<Choice>()
  const [how, setHow] = useState<CauseHow | ''>('')
  const [said, setSaid] = useState('')
  const save = async () => {
    const stored = await openCase.give({
      type: 'findCause',
      jobId: back.jobId,
      wentBack: back.sequence,
      cause: chosen?.cause ?? '',
      ...(chosen?.place ? { place: chosen.place, fault: chosen.fault! } : {}),
      ...(chosen?.cause === 'other' ? { said } : {}),
      ...(how && chosen?.cause !== 'notFound' ? { how } : {}),
    })
    if (stored) onClose()
  }
  const option = (choice: Choice, name: string, ranked?: RankedCause) => (
    <label
      key={`${choice.place} ${choice.fault} ${choice.cause}`}
      className={`flex min-h-11 cursor-pointer items-start gap-3 rounded-xl px-3 py-2 ${same(chosen, choice) ? 'bg-base-300' : 'hover:bg-base-200'}`}
    >
      <input
        type="radio"
        name="cause"
        className="radio mt-0.5"
        checked={same(chosen, choice)}
        onChange={() => setChosen(choice)}
      />
      <span>
        <b>{name}</b>
        {ranked && (
          <span className="block text-sm">
            {standingWords[ranked.standing]}
            {ranked.standing === 'unknown' ? (
              '.'
            ) : (
              <>
                : <Said words={ranked.words} />
              </>
            )}
            {ranked.found && ` Found ${ranked.found.count} of ${ranked.found.of} here.`}
          </span>
        )}
      </span>
    </label>
  )
  return (
    <Sheet title={isRemake(back) ? 'Why was it made anew?' : 'Why did it go back?'} onClose={onClose}>
      <form
        className="grid gap-4"
        onSubmit={(event) => {
          event.preventDefault()
          void save()
        }}
      >
        {lists.map(({ seen, causes }) => (
          <fieldset key={`${seen.place} ${seen.fault}`}>
            <legend className="font-semibold">
              {seen.where}: {seen.fault.toLowerCase()}
            </legend>
            {causes.map((cause) =>
              option({ cause: cause.name, place: seen.place, fault: seen.fault }, cause.name, cause),
            )}
          </fieldset>
        ))}
        <fieldset>
          <legend className="font-semibold">{lists.length > 0 ? 'None of these' : 'The cause'}</legend>
          {usualCauses.map((cause) => option({ cause }, cause))}
          {option({ cause: 'other' }, 'Another')}
          {option({ cause: 'notFound' }, 'Not found')}
        </fieldset>
        {chosen?.cause === 'other' && <TextField label="What it was" text={said} onText={setSaid} />}
        {chosen && chosen.cause !== 'notFound' && (
          <Pills
            label="How it is known"
            options={causeHow.map((each) => [each as CauseHow | '', howNames[each]] as const)}
            value={how}
            onChoose={setHow}
          />
        )}
        <p className="text-sm opacity-80">
          What was measured or seen moves the order of the list next time; what is only assumed does not.
        </p>
        {openCase.refusal && <Message tone="error" words={openCase.refusal.said} />}
        <button type="submit" className="act-main justify-self-start" disabled={!chosen || openCase.busy}>
          Put it on record
        </button>
      </form>
    </Sheet>
  )
}

const same = (one: Choice | undefined, other: Choice) =>
  one?.cause === other.cause && one.place === other.place && one.fault === other.fault
