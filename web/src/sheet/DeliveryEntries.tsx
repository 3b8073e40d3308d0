import {
  agentNames,
  type DataOfKind,
  type DisinfectingAgent,
  disinfectantFaults,
  disinfectingAgents,
  type EnclosureWay,
  materials,
  wayWords,
} from '@yentrik/core'
import { useState } from 'react'
import { useAnswer } from '../live/queries.ts'
import { Pills, SelectField } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { TextField } from '../parts/TextField.tsx'
import { CasePapers } from '../record/CasePapers.tsx'
import { useStoredCase } from '../record/open-case.ts'
import type { SheetEntryProps } from '../record/sheet-entry.ts'
import { useShelf } from '../record/shelf.ts'
import { Recorder } from './Recorder.tsx'

const agents = disinfectingAgents.map((agent) => [agent, agentNames[agent]] as const)

/** What was put on, and how long its label wants it wet: from the shelf, or as read off the label. */
export function DisinfectionEntry({
  sheet,
  last,
  draftKey,
  refusal,
  open,
  onRecord,
}: SheetEntryProps<'disinfection'>) {
  const { products } = useShelf()
  const ours = products.flatMap(({ product }) =>
    materials.get(product.materialId)?.family === 'disinfectant' ? [product] : [],
  )
  const [typed, keep, forget] = useDraft(draftKey, () => ({
    product: last?.product ?? '',
    agent: (last?.agent ?? '') as DisinfectingAgent | '',
    minutes: last ? String(last.contactMinutes) : '',
  }))
  const [tried, setTried] = useState(false)
  const { value, fault } = readNumber(typed.minutes, 'min')
  const shelf = ours.find(({ name }) => name === typed.product)
  /** As it stands on the shelf, whole: there is nothing to type. */
  const chosen =
    shelf && shelf.agent === typed.agent && String(shelf.contactMinutes) === typed.minutes
      ? { agent: shelf.agent }
      : undefined
  const spoils = typed.agent === '' ? [] : disinfectantFaults(typed.agent, value ?? 0, sheet)
  const record = async () => {
    setTried(true)
    if (value === undefined || typed.agent === '' || typed.product.trim() === '') return
    const { agent, product } = typed
    if (await onRecord({ kind: 'disinfection', product: product.trim(), agent, contactMinutes: value }))
      forget()
  }
  return (
    <Recorder open={open} refusal={refusal} onRecord={() => void record()}>
      {ours.length > 0 && (
        <Pills
          label="From the shelf"
          options={ours.map(({ name }) => [name, name] as const)}
          value={typed.product}
          onChoose={(name) => {
            const { agent, contactMinutes } = ours.find((each) => each.name === name)!
            keep({
              product: name,
              agent: agent ?? typed.agent,
              minutes: contactMinutes === undefined ? typed.minutes : String(contactMinutes),
            })
          }}
        />
      )}
      {chosen && (
        <p className="text-xl font-semibold">
          {agentNames[chosen.agent]}, wet for <span className="figures">{typed.minutes}</span> min
        </p>
      )}
      {spoils.map((words) => (
        <Message key={words} tone="error">
          Not on this work: {words}. Take another.
        </Message>
      ))}
      <details open={!chosen}>
        <summary className={chosen ? 'min-h-11 cursor-pointer font-semibold' : 'sr-only'}>
          Its label says otherwise
        </summary>
        <div className="grid gap-3">
          <TextField
            label="Disinfectant"
            text={typed.product}
            onText={(product) => keep({ ...typed, product })}
            fault={tried && typed.product.trim() === '' ? 'Enter what its label calls it.' : undefined}
          />
          <Pills<DisinfectingAgent | ''>
            label="What works in it"
            options={agents}
            value={typed.agent}
            onChoose={(agent) => keep({ ...typed, agent })}
          />
          {tried && typed.agent === '' && <Message tone="error">Read it off the label and choose.</Message>}
          <div className="max-w-60">
            <NumberField
              label="Contact time"
              unit="min"
              text={typed.minutes}
              onText={(minutes) => keep({ ...typed, minutes })}
              fault={tried || typed.minutes !== '' ? fault : undefined}
              hint="as its label says; the clock runs from when you record it"
            />
          </div>
        </div>
      </details>
    </Recorder>
  )
}

const ways = (Object.keys(wayWords) as EnclosureWay[]).map((way) => {
  const words = wayWords[way]
  return [way, words.charAt(0).toUpperCase() + words.slice(1)] as const
})

/** Where everything is that came along. Nothing is taken for granted: each line is answered. */
export function EnclosuresEntry({
  enclosures,
  last,
  draftKey,
  refusal,
  open,
  onRecord,
}: SheetEntryProps<'enclosures'>) {
  const [answers, keep, forget] = useDraft<Readonly<Record<string, EnclosureWay>>>(draftKey, () =>
    Object.fromEntries((last?.went ?? []).map(({ name, way }) => [name, way])),
  )
  const [tried, setTried] = useState(false)
  const lines = [...new Set(enclosures)]
  const record = async (wayOf: (name: string) => EnclosureWay | undefined) => {
    setTried(true)
    const went = lines.flatMap((name) => {
      const way = wayOf(name)
      return way ? [{ name, way }] : []
    })
    if (went.length === lines.length && (await onRecord({ kind: 'enclosures', went }))) forget()
  }
  const answered = lines.filter((name) => answers[name]).length
  return (
    <Recorder open={open} refusal={refusal} onRecord={() => void record((name) => answers[name])}>
      {lines.length === 0 && <p className="text-lg">Nothing was noted when it came in.</p>}
      {lines.map((name) => (
        <div key={name}>
          <Pills<EnclosureWay | ''>
            label={name}
            options={ways}
            value={answers[name] ?? ''}
            onChoose={(way) => way !== '' && keep({ ...answers, [name]: way })}
          />
          {tried && !answers[name] && <Message tone="error">Say where it is.</Message>}
        </div>
      ))}
      {answered < lines.length && (
        <button
          type="button"
          className="act-main justify-self-start"
          disabled={!open}
          onClick={() => void record((name) => answers[name] ?? 'back')}
        >
          {answered === 0 ? 'All in the bag' : 'The rest is in the bag'}
        </button>
      )}
    </Recorder>
  )
}

type Statement = DataOfKind<'release'>['statement']

/** Where it was made, and that it may leave. The lab stands there already; who records it, releases it. */
export function ReleaseEntry({
  caseId,
  last,
  draftKey,
  refusal,
  open,
  onRecord,
}: SheetEntryProps<'release'>) {
  const { data: lab } = useAnswer('GET /lab')
  const { state } = useStoredCase(caseId)
  const here = lab ? [lab.labName, lab.address].filter(Boolean).join(', ') : ''
  const before = state?.imported ? [state.imported.lab ?? ''] : []
  const [typed, keep, forget] = useDraft(draftKey, () => ({
    places: last?.places.join('\n'),
    statement: (last?.statement ?? 'goesAlong') as Statement,
  }))
  const places = typed.places ?? [here, ...before].join('\n')
  const record = async () => {
    const lines = places.split('\n').flatMap((each) => (each.trim() === '' ? [] : [each.trim()]))
    if (await onRecord({ kind: 'release', places: lines, statement: typed.statement })) forget()
  }
  return (
    <Recorder open={open} refusal={refusal} onRecord={() => void record()} act="Release it">
      {state && (
        <p className="flex flex-wrap gap-2">
          <CasePapers caseId={caseId} state={state} className="small-act" />
        </p>
      )}
      <TextField
        label="Made at, one place a line"
        lines={2}
        text={places}
        onText={(text) => keep({ ...typed, places: text })}
        hint="Every place of manufacture with its address: where it was milled or cast too."
      />
      <SelectField<Statement>
        label="Statement on the custom-made device"
        options={[
          ['goesAlong', 'Signed, goes along'],
          ['notAskedFor', 'Not asked for here'],
        ]}
        value={typed.statement}
        onChoose={(statement) => keep({ ...typed, statement })}
      />
    </Recorder>
  )
}
