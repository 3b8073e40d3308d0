import { type CaseEvent, type CaseState, type EventReader, eventWords, personOn, saying } from '@yentrik/core'
import { useMemo, useState } from 'react'
import { dateAndTime } from '../format/format.ts'
import { useWords } from '../preferences/words.tsx'
import type { OpenCase } from '../record/open-case.ts'
import { DataTable } from '../table/DataTable.tsx'
import { CorrectSheet } from './CorrectSheet.tsx'

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
}: {
  openCase: OpenCase
  state: CaseState
  reader: EventReader
}) {
  const say = useWords(dateAndTime)
  const [correcting, setCorrecting] = useState<CaseEvent>()
  const [words, setWords] = useState('')
  const live = useMemo(
    () =>
      new Set(
        state.jobs.flatMap((job) =>
          Object.values(job.steps).flatMap((step) =>
            [...step.readings, ...step.mixes].map((entry) => entry.sequence),
          ),
        ),
      ),
    [state],
  )
  const stored = openCase.record?.events.at(-1)?.sequence ?? 0
  const entries = openCase.events.map(
    (event): Entry => ({
      event,
      person: personOn(state, event),
      sentence: say(
        saying`${eventWords(event, reader)}${event.sequence > stored ? ' (kept here, not sent yet)' : ''}`,
      ),
    }),
  )
  const found = entries.filter(({ person, sentence }) =>
    `${person} ${sentence}`.toLowerCase().includes(words.trim().toLowerCase()),
  )
  const mayCorrect = ({ event }: Entry) =>
    live.has(event.sequence) &&
    (event.type === 'checkRecorded' || (event.type === 'mixRecorded' && event.powderGrams !== undefined))
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
            show: ({ sentence }) => sentence,
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
