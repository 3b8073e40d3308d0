import type { MachineRunShown } from '@yentrik/contract'
import {
  type CeramicClass,
  ceramicClasses,
  ceramicFigures,
  type Firing,
  firingMachine,
  firingNames,
  firings,
  mustMayFire,
  programMinutes,
  qty,
  type RouteStep,
  type StepSheet,
  saying,
  setFor,
  sheetsWanted,
} from '@yentrik/core'
import { useMemo } from 'react'
import { useNow } from '../live/lab-clock.ts'
import { attempt } from '../parts/attempt.ts'
import { Chart } from '../parts/Chart.tsx'
import { Pills, SelectField } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { FigureFields } from '../parts/FigureFields.tsx'
import { Message } from '../parts/Message.tsx'
import { TextField } from '../parts/TextField.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import { Said } from '../preferences/words.tsx'
import { useMachineChoice } from '../program/MachineChoice.tsx'
import { nextAt } from '../program/program-draft.ts'
import { plannedPoints } from '../program/run-points.ts'
import { SegmentTable } from '../program/SegmentTable.tsx'
import { runOf, useMachineRuns } from '../program/use-machine-runs.ts'
import type { ForCase } from '../record/IntoRecord.tsx'
import { useShelf } from '../record/shelf.ts'
import { firingOption } from './firing-chart.ts'
import {
  type FiringDraft,
  factsOf,
  firingFor,
  firingNumber,
  firingStart,
  peakOf,
  proposedFor,
  shownSegments,
  wantedProgram,
} from './firing-draft.ts'
import { LiveFiring } from './LiveFiring.tsx'
import { SilverTest } from './SilverTest.tsx'
import { StartFiring, When } from './StartFiring.tsx'
import { takenLots } from './taken-lots.ts'
import { useReadsTooMuch } from './use-reads-too-much.ts'

/** The step of a case that is fired now: the one that runs, else the first that is not done. */
export function firingStepOf(forCase: ForCase | undefined) {
  const wanted = forCase ? sheetsWanted(forCase.job, 'firing') : []
  const status = (step: RouteStep) => forCase?.job.steps[step.id]?.status
  return (
    wanted.find(({ step }) => status(step) === 'running') ??
    wanted.find(({ step }) => status(step) !== 'done')
  )
}

/** Under what the entries of a firing are kept. */
export const firingKey = (
  forCase: Pick<ForCase, 'caseId' | 'job'> | undefined,
  stepId: string | undefined,
) => (forCase ? `fire ${forCase.caseId} ${forCase.job.jobId} ${stepId}` : 'fire furnace')

/** A firing: its program, when it can be, what the furnace does, and what that did to the work. */
export function FurnacePanel({ forCase }: { readonly forCase?: ForCase }) {
  const found = firingStepOf(forCase)
  if (forCase && !found)
    return (
      <section className="card-flat grid gap-3 p-5" aria-label="The furnace">
        <NoFurnace ceramic={forCase.job.route.choices.ceramic as CeramicClass | undefined} />
      </section>
    )
  return <Furnace key={found?.step.id ?? ''} forCase={forCase} found={found} />
}

function NoFurnace({ ceramic }: { ceramic: CeramicClass | undefined }) {
  if (ceramic && !ceramicFigures[ceramic].fires)
    return (
      <Message tone="error">
        {`${ceramicFigures[ceramic].name} is never fired: it would burn. Polish it, or glaze it with a lacquer that light cures.`}
      </Message>
    )
  return <p>Nothing is left to fire in this job.</p>
}

function Furnace({
  forCase,
  found,
}: {
  readonly forCase?: ForCase
  readonly found:
    | { readonly step: RouteStep; readonly sheet: Extract<StepSheet, { kind: 'firing' }> }
    | undefined
}) {
  const now = useNow()
  const units = usePreferences((preferences) => preferences.units)
  const runs = useMachineRuns()
  const [draft, setDraft] = useDraft<FiringDraft>(firingKey(forCase, found?.step.id), () =>
    forCase && found ? firingFor(forCase.job, found.sheet.firing) : firingStart,
  )
  const kind = firingMachine(draft.firing)
  const choice = useMachineChoice(kind)
  const { machine } = choice
  const shelf = useShelf()
  // Of a case its own blank; else any of the class that is marked.
  const inHand = forCase && takenLots(forCase.job, shelf).map(({ productId }) => productId)
  const fastMarked = shelf.products.some(
    ({ product, card }) =>
      product.fastSinter === true &&
      card.ceramic === draft.ceramic &&
      (inHand === undefined || inHand.includes(product.productId)),
  )
  const change = (to: Partial<FiringDraft>) =>
    // Another load makes another proposal; what is changed in the lines themselves stays until then.
    setDraft((before) => ({
      ...before,
      ...('segments' in to || 'readyBy' in to ? {} : { segments: [] }),
      ...to,
    }))
  const { program, wrong } = wantedProgram(draft)
  const own: MachineRunShown | undefined =
    forCase && found
      ? runOf(runs, forCase.caseId, forCase.job, found.step.id)
      : runs.find((run) => run.kind === kind && run.stoppedAt === null && run.loads.length === 0)
  // Of the furnace that it lies in, whichever would be taken next.
  const offsetCelsius = useReadsTooMuch(own?.machine ?? machine) ?? 0
  const number = forCase && found ? firingNumber(forCase.job, found.step.id) : 1
  const facts = useMemo(() => factsOf(draft, number, offsetCelsius), [draft, number, offsetCelsius])
  const refusal =
    program &&
    attempt(() =>
      mustMayFire(program, {
        ceramic: draft.ceramic,
        firing: draft.firing,
        dried: draft.dried === 'yes',
        fastMarked,
      }),
    ).refusal
  return (
    <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_25rem]">
      <section className="card-flat grid content-start gap-3 p-4" aria-label="The furnace">
        {own && facts ? (
          <LiveFiring run={own} facts={facts} forCase={forCase} wanted={found} />
        ) : (
          <>
            {proposedFor(draft).refusal && <Message tone="error" words={proposedFor(draft).refusal!} />}
            {wrong && <Message tone="error">{wrong}</Message>}
            {program && (
              <>
                <When program={program} draft={draft} machine={machine} runs={runs} />
                <Chart
                  className="h-60"
                  says="The program over the hours"
                  option={firingOption(
                    plannedPoints(program, Math.floor(now / 60_000) * 60_000),
                    [],
                    Math.floor(now / 60_000) * 60_000 + programMinutes(program) * 60_000,
                    units,
                  )}
                />
                {refusal ? (
                  <Message tone="error" words={refusal} />
                ) : (
                  <StartFiring
                    kind={kind}
                    program={kind === 'kiln' ? setFor(program, offsetCelsius) : program}
                    choice={choice}
                    forCase={forCase}
                    found={found}
                    runs={runs}
                  />
                )}
              </>
            )}
          </>
        )}
        <p className="text-sm opacity-80">
          Programs by class, wall and load are common practice or recalled, and editable: the maker's sheet
          wins. What comes out looks cold and is not: tongs and gloves.
        </p>
      </section>
      <aside className="card-flat grid content-start gap-3 p-4" aria-label="Load">
        {!found && (
          <>
            <SelectField<CeramicClass>
              label="Class"
              options={ceramicClasses.map((each) => [each, ceramicFigures[each].name] as const)}
              value={draft.ceramic}
              onChoose={(ceramic) => change({ ceramic })}
            />
            <SelectField<Firing>
              label="Firing"
              options={firings.map((each) => [each, firingNames[each]] as const)}
              value={draft.firing}
              onChoose={(firing) => change({ firing })}
            />
          </>
        )}
        {found && (
          <p>
            <b>{firingNames[draft.firing]}</b>, {ceramicFigures[draft.ceramic].name}
            {facts && facts.firingNumber > 0 && draft.firing !== 'dry' && draft.firing !== 'sinter' && (
              <span className="block">
                {`Firing ${facts.firingNumber} of ${ceramicFigures[draft.ceramic].mostFirings} that this piece may take.`}
              </span>
            )}
          </p>
        )}
        <FigureFields
          specs={[
            { key: 'wall', label: 'Thickest wall', unit: 'mm', hint: 'of all that goes in' },
            { key: 'units', label: 'Pieces', unit: '' },
            ...(draft.firing === 'glaze'
              ? [{ key: 'before', label: 'Peak before', unit: '°C', hint: 'empty: as usual' }]
              : []),
          ]}
          typed={draft.figures}
          faults={{}}
          onTyped={(figures) => change({ figures })}
        />
        <div className="flex flex-wrap gap-x-6 gap-y-2">
          <Pills
            label="It is"
            options={[
              ['yes', 'Dry'],
              ['no', 'Wet'],
            ]}
            value={draft.dried}
            onChoose={(dried) => change({ dried })}
          />
          {(draft.firing === 'dry' || draft.firing === 'sinter') && (
            <Pills
              label="Infiltrated"
              options={[
                ['no', 'No'],
                ['yes', 'Yes'],
              ]}
              value={draft.infiltrated}
              onChoose={(infiltrated) => change({ infiltrated })}
            />
          )}
          {draft.firing === 'sinter' && (
            <Pills
              label="Bridge"
              options={[
                ['no', 'No'],
                ['yes', 'Yes, supported'],
              ]}
              value={draft.bridge}
              onChoose={(bridge) => change({ bridge })}
            />
          )}
        </div>
        {!own && (
          <>
            <TextField
              label="Ready by"
              text={draft.readyBy}
              onText={(readyBy) => change({ readyBy })}
              hint="07:30; empty: as soon as it is free"
              fault={
                draft.readyBy.trim() !== '' && nextAt(draft.readyBy, now) === undefined
                  ? 'Write the hour as 07:30.'
                  : undefined
              }
            />
            <SegmentTable segments={shownSegments(draft)} onSegments={(segments) => change({ segments })} />
            {program?.segments.some(({ vacuum }) => vacuum) && (
              <p className="text-sm opacity-80">
                <Said
                  words={saying`Vacuum on the way to ${qty.celsius(Math.round(peakOf(program)))}, off after its hold.`}
                />
              </p>
            )}
          </>
        )}
        {kind === 'kiln' && <SilverTest machine={machine} />}
      </aside>
    </div>
  )
}
