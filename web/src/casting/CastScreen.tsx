import { type Binder, type CastingRecord, castingRecord, sheetsWanted } from '@yentrik/core'
import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { type Options, Pills, SelectField } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { TryExample } from '../parts/TryExample.tsx'
import type { Typed } from '../parts/typed-figures.ts'
import type { ForCase } from '../record/IntoRecord.tsx'
import { useOpenCase } from '../record/open-case.ts'
import { ArmPanel, armStart } from './ArmPanel.tsx'
import { BurnoutPanel } from './BurnoutPanel.tsx'
import { type BurnoutDraft, burnoutFor, withRing } from './burnout-draft.ts'
import { useCastingCards } from './casting-cards.ts'
import { ExpansionPanel, expansionStart } from './ExpansionPanel.tsx'
import { MetalPanel, metalStart } from './MetalPanel.tsx'
import { SpruePanel, sprueStart } from './SpruePanel.tsx'

type View = 'sprue' | 'metal' | 'expansion' | 'burnout' | 'arm'
const views: Options<View> = [
  ['sprue', 'Sprue and ring'],
  ['metal', 'Metal'],
  ['expansion', 'Expansion'],
  ['burnout', 'Burnout'],
  ['arm', 'Arm'],
]

function without(typed: Typed, key: string): Typed {
  const { [key]: _gone, ...rest } = typed
  return rest
}

/** The arithmetic of the lost wax, from the sprue to the arm. On its own, or with the figures of a case filled in. */
export function CastScreen() {
  const [query] = useSearchParams()
  const caseId = query.get('case')
  const view = views.find(([each]) => each === query.get('view'))?.[0] ?? 'sprue'
  return caseId ? <CastForCase caseId={caseId} view={view} /> : <CastTool kept="cast" view={view} />
}

function CastForCase({ caseId, view }: { caseId: string; view: View }) {
  const [query] = useSearchParams()
  const openCase = useOpenCase(caseId)
  if (!openCase.state)
    return openCase.error ? <Message tone="error" words={openCase.error.said} /> : <Waiting />
  const job = openCase.state.jobs.find(({ jobId }) => jobId === query.get('job')) ?? openCase.state.jobs[0]!
  return (
    <CastTool
      kept={`cast ${caseId} ${job.jobId}`}
      view={view}
      record={castingRecord(job)}
      forCase={{ openCase, caseId, job }}
      title={
        <Link to={`/case/${caseId}`} className="link">
          {openCase.state.docket}
        </Link>
      }
    />
  )
}

function CastTool({
  kept,
  view: startView,
  record = {},
  forCase,
  title,
}: {
  /** Under what the entries of this session are kept. */
  kept: string
  view: View
  /** What the case has on record: its figures to begin with. */
  record?: CastingRecord
  forCase?: ForCase
  title?: React.ReactNode
}) {
  const noted = (key: string, value: number | undefined): Typed =>
    value === undefined ? {} : { [key]: String(value) }
  const ordered = forCase && sheetsWanted(forCase.job, 'charge')[0]?.sheet.ordered
  const usual = record.binder === 'phosphate' ? 'nickel-chromium' : 'gold-type-3'
  const usualAlloy = ordered && !ordered.includes(usual) ? ordered[0]! : usual
  const { alloys, investments } = useCastingCards()
  const [view, setView] = useState<View>(startView)
  const [alloyId, setAlloyId] = useDraft<string>(`${kept} alloy`, () => '')
  // What nobody has chosen is the lab's own product of the usual class, where it has one.
  const alloy =
    alloys.find(({ id }) => id === alloyId) ??
    alloys.find(({ product, materialId }) => product && materialId === usualAlloy) ??
    alloys.find(({ id }) => id === usualAlloy)!
  const [binder, setBinder] = useDraft<Binder>(`${kept} binder`, () => record.binder ?? 'phosphate')
  const [sprue, setSprue] = useDraft<Typed>(`${kept} sprue`, () => ({
    ...sprueStart,
    ...noted('gauge', record.sprueGauge),
  }))
  const [metal, setMetal] = useDraft<Typed>(`${kept} metal`, () => metalStart)
  const [expansion, setExpansion] = useDraft<Typed>(`${kept} expansion`, () => expansionStart)
  const [burnout, setBurnout] = useDraft<BurnoutDraft>(`${kept} burnout`, () => burnoutFor(record))
  const [arm, setArm] = useDraft<Typed>(`${kept} arm`, () => ({
    ...armStart,
    ...noted('turns', record.turns),
  }))
  // A weight that came onto record later fills an entry that is still empty.
  const metalNow = metal.pattern ? metal : { ...metal, ...noted('pattern', record.patternGrams) }
  const wantsAlloy = view === 'metal' || view === 'expansion' || view === 'arm'
  return (
    <main className="mx-auto grid max-w-[1500px] gap-3 p-4 sm:p-5">
      <header className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <h1 className="text-3xl font-bold">Cast</h1>
        {title && <p>{title}</p>}
        {wantsAlloy && (
          <div className="w-60">
            <SelectField
              label="Alloy"
              options={alloys.map(({ id, name }) => [id, name])}
              value={alloy.id}
              onChoose={(id) => {
                setAlloyId(id)
                // The figures of another alloy, not those of the one before.
                setMetal(without(metal, 'density'))
                setExpansion(without(expansion, 'shrinkage'))
              }}
            />
          </div>
        )}
        <div className="ml-auto flex flex-wrap items-end gap-4">
          {!forCase && metal.pattern === '' && (
            <TryExample
              onTry={() => {
                setSprue({ ...sprueStart, gauge: '10', section: '1.8' })
                setMetal({ ...metalStart, pattern: '0.62' })
              }}
            />
          )}
          <Pills label="Work out" options={views} value={view} onChoose={setView} />
        </div>
      </header>
      {view === 'sprue' && (
        <SpruePanel binder={binder} onBinder={setBinder} typed={sprue} onTyped={setSprue} forCase={forCase} />
      )}
      {view === 'metal' && (
        <MetalPanel key={alloy.id} alloy={alloy} typed={metalNow} onTyped={setMetal} forCase={forCase} />
      )}
      {view === 'expansion' && (
        <ExpansionPanel
          alloy={alloy}
          investments={investments}
          typed={expansion}
          onTyped={setExpansion}
          forCase={forCase}
        />
      )}
      {view === 'burnout' && (
        <BurnoutPanel draft={withRing(burnout, sprue)} onDraft={setBurnout} forCase={forCase} />
      )}
      {view === 'arm' && <ArmPanel alloy={alloy} typed={arm} onTyped={setArm} forCase={forCase} />}
    </main>
  )
}
