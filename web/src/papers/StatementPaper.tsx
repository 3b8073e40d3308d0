import { customMadeStatement, type DescribedDevice, DomainError, showTooth } from '@yentrik/core'
import { useParams, useSearchParams } from 'react-router'
import { dateAndTime, longDate } from '../format/format.ts'
import { useAnswer } from '../live/queries.ts'
import { refusalWords } from '../parts/attempt.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { useWords } from '../preferences/words.tsx'
import { useStoredCase } from '../record/open-case.ts'
import { useShelf } from '../record/shelf.ts'
import { ChainLine } from './ChainLine.tsx'
import { Paper } from './Paper.tsx'

/** The statement on a custom-made device, made from the record, to be read, completed and signed. */
export function StatementPaper() {
  const { caseId = '' } = useParams()
  const [query] = useSearchParams()
  const notation = usePreferences((preferences) => preferences.teeth)
  const { state, waiting, error } = useStoredCase(caseId)
  const { data: lab } = useAnswer('GET /lab')
  const { data: chain } = useAnswer('GET /cases/:caseId/chain', { path: { caseId } })
  const { lotNumber } = useShelf()
  const say = useWords()
  if (!state || !lab || !chain) return error ? <Message tone="error" words={error.said} /> : <Waiting />
  const job = state.jobs.find(({ jobId }) => jobId === query.get('job')) ?? state.jobs[0]!
  const { statement, refusal } = statementOf()
  if (!statement)
    return (
      <Paper title={`Statement for ${state.docket}`} waiting={waiting}>
        <h1 className="text-[16pt] font-bold">Statement on a custom-made device</h1>
        <Message tone="error" words={refusal ?? ''} />
      </Paper>
    )
  const rows: readonly (readonly [string, string])[] = [
    ['Maker', `${statement.maker}, ${statement.address || 'address: ______________________________'}`],
    ['Device', `${statement.device}, number ${statement.deviceNumber}`],
    ['For the patient', statement.patientCode],
    ['Prescribed by', `${statement.prescriber}, ${statement.clinic}`],
    ['Teeth', statement.teeth.map((tooth) => showTooth(tooth, notation)).join(', ') || 'as prescribed'],
    ['Characteristics', statement.characteristics.join('. ')],
    [
      'Materials',
      statement.materials
        .map(
          ({ name, product, amount, lots, returnedPercent }) =>
            `${name}${product ? ` (${product})` : ''}${amount ? `, ${say(amount)}` : ''}, ${lots.length > 0 ? `lot ${lots.join(', ')}` : 'lot not noted'}${returnedPercent ? `, ${returnedPercent} % of it returned metal` : ''}`,
        )
        .join('; ') || 'none on record',
    ],
    ['Made', longDate(Date.parse(statement.madeAt))],
    ['Made at', statement.places.join('; ') || '______________________________'],
    [
      'Released by',
      statement.released
        ? `${statement.released.by}, ${dateAndTime(Date.parse(statement.released.at))}`
        : 'nobody yet',
    ],
  ]
  return (
    <Paper title={`Statement for ${state.docket}`} waiting={waiting}>
      <h1 className="text-[16pt] font-bold">
        Statement on a custom-made device <span className="figures">{state.docket}</span>
      </h1>
      <p className="mt-3">{sentenceOf(statement.described)}</p>
      <table className="mt-3 w-full text-[10pt]">
        <tbody>
          {rows.map(([name, words]) => (
            <tr key={name} className="border-b border-neutral-300 align-top">
              <th className="w-40 py-1 text-left font-semibold">{name}</th>
              <td>{words}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <ol className="mt-4 grid list-decimal gap-1 pl-5">
        {statement.statements.map((sentence) => (
          <li key={sentence}>{sentence}</li>
        ))}
      </ol>
      <p className="mt-3 border-b border-black pb-6">Not fully met, with the grounds:</p>
      <section className="mt-4" aria-label="To complete">
        <h2 className="font-semibold">To complete before signing</h2>
        <ul className="list-disc pl-5">
          {statement.open.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      </section>
      <footer className="mt-10 grid grid-cols-2 gap-10 break-inside-avoid">
        <p className="border-t border-black pt-1">Place and date</p>
        <p className="border-t border-black pt-1">Name and signature, for the maker</p>
      </footer>
      <ChainLine chain={chain} />
      <p className="mt-2 text-[8.5pt]">{statement.source}.</p>
    </Paper>
  )

  function sentenceOf({ name, teeth, castHere, materials, impressionAt }: DescribedDevice): string {
    const forTeeth = teeth.map((tooth) => showTooth(tooth, notation)).join(', ')
    const of = materials.length > 0 ? ` in ${materials.join(' and ')}` : ''
    const from = impressionAt ? `, from the impression of ${longDate(Date.parse(impressionAt))}` : ''
    return `${name}${forTeeth ? ` for ${forTeeth}` : ''}, ${castHere ? 'cast' : 'made'} here${of}${from}.`
  }

  function statementOf() {
    try {
      return {
        statement: customMadeStatement(
          state!,
          job,
          { name: lab!.labName, address: lab!.address },
          lotNumber,
          { entries: chain!.events, newest: chain!.newest },
        ),
      }
    } catch (thrown) {
      if (!(thrown instanceof DomainError)) throw thrown
      return { refusal: refusalWords(thrown) }
    }
  }
}
