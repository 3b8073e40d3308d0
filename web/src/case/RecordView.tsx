import {
  type CaseEvent,
  type CaseState,
  type EventReader,
  eventWords,
  overruled,
  overruledWords,
  personOn,
  refusalOf,
  saying,
} from '@yentrik/core'
import { useMemo, useState } from 'react'
import { dateAndTime } from '../format/format.ts'
import { useWords } from '../preferences/words.tsx'
import { type OpenCase, withdrawContext } from '../record/open-case.ts'
import { DataTable } from '../table/DataTable.tsx'
import { CorrectSheet, mayBeCorrected } from './CorrectSheet.tsx'
import { WordsSheet } from './WordsSheet.tsx'

interface Entry {
  readonly event: CaseEvent
  readonly person: string
  readonly sentence: string
}

/** Everything that was done, the newest first. A wrong entry is corrected by a new one; both stay. */
export function RecordView({
  openCase,
  state,
  reader,
  entry: shownEntry,
}: {
  openCase: OpenCase
  state: CaseState
  reader: EventReader
  /** The sequence of the entry that is looked for. */
  entry?: string
}) {
  const say = useWords(dateAndTime)
  const [correcting, setCorrecting] = useState<CaseEvent>()
  const [withdrawing, setWithdrawing] = useState<Entry>()
  const [words, setWords] = useState('')
  const live = useMemo(
    () =>
      new Set(
        state.jobs.flatMap((job) =>
          Object.values(job.steps).flatMap((step) =>
            [...step.readings, ...step.mixes, ...step.sheets].map((entry) => entry.sequence),
          ),
        ),
      ),
    [state],
  )
  const stored = openCase.record?.events.at(-1)?.sequence ?? 0
  const marks = useMemo(() => overruled(openCase.events), [openCase.events])
  const entries = openCase.events.map(
    (event): Entry => ({
      event,
      person: personOn(state, event),
      sentence: say(
        saying`${eventWords(event, reader)}${overruledWords(marks.get(event.sequence))}${event.sequence > stored ? ' (kept here, not sent yet)' : ''}`,
      ),
    }),
  )
  const found = entries.filter(({ person, sentence }) =>
    `${person} ${sentence}`.toLowerCase().includes(words.trim().toLowerCase()),
  )
  const mayWithdraw = ({ event }: Entry) =>
    refusalOf(
      state,
      { type: 'withdraw', withdraws: event.sequence, reason: 'a slip' },
      withdrawContext(openCase.events),
    ) === undefined
  const mayCorrect = ({ event }: Entry) => live.has(event.sequence) && mayBeCorrected(event)
  return (
    <section className="flex min-h-0 grow flex-col gap-3" aria-label="Record">
      <input
        type="search"
        className="entry max-w-sm"
        aria-label="Search the record"
        placeholder="Step, person, words"
        value={words}
        onChange={(event) => setWords(event.target.value)}
      />
      <DataTable
        name="Record"
        rows={found}
        keyOf={({ event }) => String(event.sequence)}
        startsBy={{ id: 'at', desc: true }}
        {...(shownEntry ? { startsAt: shownEntry } : {})}
        rowHeight={48}
        columns={[
          {
            id: 'at',
            name: 'When',
            width: '9rem',
            value: ({ event }) => event.sequence,
            show: ({ event }) => (
              <span className="figures font-mono">{dateAndTime(Date.parse(event.at))}</span>
            ),
          },
          {
            id: 'by',
            name: 'Who',
            width: '6rem',
            wideOnly: true,
            value: ({ person }) => person,
            show: ({ person }) => (
              <span className="block truncate" title={person}>
                {person}
              </span>
            ),
          },
          {
            id: 'what',
            name: 'What',
            width: 'minmax(0,1fr)',
            value: ({ sentence }) => sentence,
            show: ({ event, sentence }) => (
              <span className={marks.has(event.sequence) ? 'line-through opacity-80' : ''}>{sentence}</span>
            ),
          },
          {
            id: 'withdraw',
            name: '',
            width: '7rem',
            right: true,
            wideOnly: true,
            value: () => undefined,
            show: (entry) =>
              mayWithdraw(entry) && (
                <button
                  type="button"
                  className="small-act"
                  onClick={() => setWithdrawing(entry)}
                  aria-label={`Withdraw: ${entry.sentence}`}
                >
                  Withdraw
                </button>
              ),
          },
          {
            id: 'correct',
            name: '',
            width: '6rem',
            right: true,
            value: () => undefined,
            show: (entry) =>
              mayCorrect(entry) && (
                <button
                  type="button"
                  className="small-act"
                  onClick={() => setCorrecting(entry.event)}
                  aria-label={`Correct: ${entry.sentence}`}
                >
                  Correct
                </button>
              ),
          },
        ]}
        csv={{
          file: `${state.docket}-record.csv`,
          columns: [
            { name: 'Number', value: ({ event }) => event.sequence },
            { name: 'When', value: ({ event }) => event.at },
            { name: 'Who', value: ({ person }) => person },
            { name: 'What', value: ({ sentence }) => sentence },
          ],
        }}
        empty="Nothing on record fits. Clear the search."
        foot={
          <a
            className="small-act"
            href={`/api/cases/${openCase.caseId}/document`}
            download={`${state.docket}.json`}
          >
            Export as a file
          </a>
        }
      />
      {withdrawing && (
        <WordsSheet
          title="Withdraw an entry"
          label="Why"
          button="Withdraw it"
          draftKey={`${openCase.caseId} withdraw ${withdrawing.event.sequence}`}
          intro={
            <p>
              It says: <b>{withdrawing.sentence}</b>. It stays on record, struck through, with the reason.
            </p>
          }
          refusal={openCase.refusal?.said}
          onClose={() => setWithdrawing(undefined)}
          onGive={(reason) =>
            openCase.give({ type: 'withdraw', withdraws: withdrawing.event.sequence, reason })
          }
        />
      )}
      {correcting && (
        <CorrectSheet
          event={correcting}
          openCase={openCase}
          reader={reader}
          onClose={() => setCorrecting(undefined)}
        />
      )}
    </section>
  )
}
