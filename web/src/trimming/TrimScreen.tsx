import {
  DomainError,
  heelRange,
  inventedPair,
  lastSheetOf,
  type PairEntry,
  type PairPlan,
  planPair,
  recordedSheet,
  type Saying,
  stepOfSheet,
} from '@yentrik/core'
import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { refusalWords } from '../parts/attempt.ts'
import { type Options, Pills } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { TryExample } from '../parts/TryExample.tsx'
import { AskedSheet } from '../record/AskedSheet.tsx'
import { FinishedPairForm } from './FinishedPairForm.tsx'
import { MarkModel } from './MarkModel.tsx'
import type { ModelPicture } from './MarkPlate.tsx'
import { PlanView } from './PlanView.tsx'
import { type ArchName, draftOf, entryOf, type PairDraft, usePairDraft } from './trim-draft.ts'

type Tab = ArchName | 'plan' | 'finished'

/** The trim planner: mark both models, see every cut, check the finished pair. On its own or for a step of a case. */
export function TrimScreen() {
  const [query] = useSearchParams()
  const caseId = query.get('case')
  return caseId ? <TrimForCase caseId={caseId} /> : <TrimTool draftKey="on its own" />
}

function TrimForCase({ caseId }: { caseId: string }) {
  const [query] = useSearchParams()
  const asked = {
    jobId: query.get('job') ?? '',
    stepId: query.get('plan') ?? query.get('pair') ?? '',
    sheetId: query.get('sheet') ?? '',
  }
  const { jobId, stepId, sheetId } = asked
  return (
    <AskedSheet caseId={caseId} {...asked} none="This step has no trim sheet. Go back to the case.">
      {({ job, sheet, title, refusal, give }) => {
        const of =
          sheet.kind === 'finishedPair'
            ? { ...sheet.planOf, stepId: stepOfSheet(job, sheet.planOf) }
            : { stepId, sheetId }
        // Read again after a base was added to, a plan begins with what was marked for the first.
        const stored = recordedSheet(job, of) ?? lastSheetOf(job, 'trimPlan')
        return (
          <TrimTool
            key={`${caseId} ${sheetId}`}
            draftKey={`${caseId} ${of.stepId} ${job.steps[of.stepId]?.attempt ?? 1}`}
            stored={stored?.kind === 'trimPlan' ? stored.entry : undefined}
            startWith={sheet.kind === 'finishedPair' ? 'finished' : undefined}
            refusal={refusal}
            paper={
              stored?.kind === 'trimPlan'
                ? `/papers/trim/${caseId}?job=${jobId}&step=${of.stepId}&sheet=${of.sheetId}`
                : undefined
            }
            title={title}
            onStore={
              give && sheet.kind === 'trimPlan' ? (entry) => give({ kind: 'trimPlan', entry }) : undefined
            }
            onPair={
              give && sheet.kind === 'finishedPair'
                ? (pair) => give({ kind: 'finishedPair', pair })
                : undefined
            }
          />
        )
      }}
    </AskedSheet>
  )
}

interface TrimToolProps {
  readonly draftKey: string
  readonly title?: React.ReactNode
  readonly stored?: PairEntry
  readonly startWith?: Tab
  readonly refusal?: Saying
  readonly paper?: string
  readonly onStore?: (entry: PairEntry) => Promise<boolean>
  readonly onPair?: Parameters<typeof FinishedPairForm>[0]['onRecord']
}

const tabs: Options<Tab> = [
  ['upper', 'Mark the upper'],
  ['lower', 'Mark the lower'],
  ['plan', 'The cuts'],
  ['finished', 'The finished pair'],
]

function TrimTool({ draftKey, title, stored, startWith, refusal, paper, onStore, onPair }: TrimToolProps) {
  const { draft, change, forget } = usePairDraft(draftKey, stored)
  const [tab, setTab] = useState<Tab>(startWith ?? (stored ? 'plan' : 'upper'))
  const [pictures, setPictures] = useState<Partial<Record<ArchName, ModelPicture>>>({})
  const { entry, missing } = entryOf(draft)
  const planned = entry && planOrRefusal(entry)
  // A finished pair is read against the plan on record, whatever is being tried out meanwhile.
  const held = onPair && stored ? stored : entry
  const heldPlan = held && planOrRefusal(held).pair
  const needsPlan = tab === 'plan' || tab === 'finished'
  return (
    <main className="mx-auto flex max-w-[1500px] flex-col gap-3 p-4 sm:p-5 lg:h-dvh lg:min-h-[640px]">
      <header className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <h1 className="text-3xl font-bold">Trim</h1>
        {title && <p>{title}</p>}
        <div className="ml-auto flex flex-wrap items-end gap-3">
          {!onStore && !onPair && !entry && (
            <TryExample
              onTry={() => {
                change(draftOf(inventedPair))
                setTab('plan')
              }}
            />
          )}
          <Pills label="Trim planner" options={tabs} value={tab} onChoose={setTab} />
          {paper && (
            <Link className="small-act" to={paper}>
              Print 1:1
            </Link>
          )}
          {onStore && entry && planned?.pair && (
            <button
              type="button"
              className="act-main"
              onClick={async () => {
                if (await onStore(entry)) forget()
              }}
            >
              Store the plan
            </button>
          )}
        </div>
      </header>
      {refusal && <Message tone="error" words={refusal} />}
      {tab === 'upper' || tab === 'lower' ? (
        <MarkModel
          key={tab}
          arch={tab}
          model={draft[tab]}
          onModel={(to) => change({ [tab]: { ...draft[tab], ...to } })}
          picture={pictures[tab]}
          onPicture={(picture) => setPictures((before) => ({ ...before, [tab]: picture }))}
        />
      ) : (
        <>
          {missing.length > 0 && (
            <section className="card-flat p-5" aria-label="Still missing">
              <h2 className="text-xl font-semibold">Still to be marked</h2>
              <ul className="mt-2 columns-2">
                {missing.map((words) => (
                  <li key={words} className="first-letter:uppercase">
                    {words}
                  </li>
                ))}
              </ul>
            </section>
          )}
          {planned?.refusal && <Message tone="error" words={planned.refusal} />}
        </>
      )}
      {needsPlan && !planned?.pair && <Choices draft={draft} onDraft={change} />}
      {tab === 'plan' && entry && planned?.pair && (
        <PlanView entry={entry} pair={planned.pair} onInstead={(mm) => change({ planeOff: mm.toFixed(1) })}>
          <Choices draft={draft} onDraft={change} />
        </PlanView>
      )}
      {tab === 'finished' && held && heldPlan && (
        <FinishedPairForm
          entry={held}
          plan={heldPlan}
          draftKey={draftKey}
          refusal={undefined}
          onRecord={onPair}
        />
      )}
    </main>
  )
}

/** The core's plan, or its refusal as a sentence. */
function planOrRefusal(entry: PairEntry): { readonly pair?: PairPlan; readonly refusal?: Saying } {
  try {
    return { pair: planPair(entry) }
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return { refusal: refusalWords(error) }
  }
}

/** What a person may set against the usual. */
function Choices({ draft, onDraft }: { draft: PairDraft; onDraft: (to: Partial<PairDraft>) => void }) {
  const heel = readNumber(draft.heel, 'mm')
  const off = readNumber(draft.planeOff, 'mm', { wanted: false })
  return (
    <div className="border-base-300 mt-3 flex flex-wrap items-start gap-x-5 gap-y-1 border-t pt-2">
      <div className="w-40">
        <NumberField
          label="Heel"
          unit="mm"
          text={draft.heel}
          onText={(text) => onDraft({ heel: text })}
          fault={heel.fault}
          hint={`${heelRange.min.toFixed(1)} to ${heelRange.max.toFixed(1)}`}
        />
      </div>
      <div className="w-44">
        <NumberField
          label="Plane off the middle"
          unit="mm"
          text={draft.planeOff}
          onText={(text) => onDraft({ planeOff: text })}
          fault={off.fault}
          hint="empty: in the middle"
        />
      </div>
      <Pills
        label="Angles of the upper from"
        options={[
          ['', 'The better side'],
          ['right', 'Right'],
          ['left', 'Left'],
        ]}
        value={draft.betterSide}
        onChoose={(betterSide) => onDraft({ betterSide })}
      />
    </div>
  )
}
