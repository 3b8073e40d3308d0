import { alloyCards, type Binder, type CastingRecord, castingRecord } from '@yentrik/core'
import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { useCaseHand } from '../case/case-hand.ts'
import { type Options, Pills, SelectField } from '../parts/Choices.tsx'
import { Told, Waiting } from '../parts/Told.tsx'
import { useKept } from '../parts/use-kept.ts'
import { ArmPanel, armStart } from './ArmPanel.tsx'
import { BurnoutPanel } from './BurnoutPanel.tsx'
import { type BurnoutDraft, burnoutFor } from './burnout-draft.ts'
import { ExpansionPanel, expansionStart } from './ExpansionPanel.tsx'
import { MetalPanel, metalStart } from './MetalPanel.tsx'
import { SpruePanel, sprueStart } from './SpruePanel.tsx'
import type { Typed } from './typed-figures.ts'

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
  const { state, error } = useCaseHand(caseId)
  if (!state) return error ? <Told tone="error">{error.message}</Told> : <Waiting />
  const job = state.jobs.find(({ jobId }) => jobId === query.get('job')) ?? state.jobs[0]!
  return (
    <CastTool
      kept={`cast ${caseId} ${job.jobId}`}
      view={view}
      record={castingRecord(job)}
      title={
        <Link to={`/case/${caseId}`} className="link">
          {state.docket}
        </Link>
      }
    />
  )
}

function CastTool({
  kept,
  view: startView,
  record = {},
  title,
}: {
  /** Under what the entries of this session are kept. */
  kept: string
  view: View
  /** What the case has on record: its figures to begin with. */
  record?: CastingRecord
  title?: React.ReactNode
}) {
  const noted = (key: string, value: number | undefined): Typed =>
    value === undefined ? {} : { [key]: String(value) }
  const usualAlloy = record.binder === 'phosphate' ? 'nickel-chromium' : 'gold-type-3'
  const [view, setView] = useState<View>(startView)
  const [alloyId, setAlloyId] = useKept<string>(`${kept} alloy`, () => usualAlloy)
  const alloy = alloyCards.find(({ id }) => id === alloyId) ?? alloyCards[0]!
  const [binder, setBinder] = useKept<Binder>(`${kept} binder`, () => record.binder ?? 'phosphate')
  const [sprue, setSprue] = useKept<Typed>(`${kept} sprue`, () => ({
    ...sprueStart,
    ...noted('gauge', record.sprueGauge),
  }))
  const [metal, setMetal] = useKept<Typed>(`${kept} metal`, () => ({
    ...metalStart,
    ...noted('pattern', record.patternGrams),
  }))
  const [expansion, setExpansion] = useKept<Typed>(`${kept} expansion`, () => expansionStart)
  const [burnout, setBurnout] = useKept<BurnoutDraft>(`${kept} burnout`, () => burnoutFor(record.binder))
  const [arm, setArm] = useKept<Typed>(`${kept} arm`, () => ({
    ...armStart,
    ...noted('turns', record.turns),
  }))
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
              options={alloyCards.map(({ id, name }) => [id, name])}
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
        <div className="ml-auto">
          <Pills label="Work out" options={views} value={view} onChoose={setView} />
        </div>
      </header>
      {view === 'sprue' && (
        <SpruePanel binder={binder} onBinder={setBinder} typed={sprue} onTyped={setSprue} />
      )}
      {view === 'metal' && <MetalPanel alloy={alloy} typed={metal} onTyped={setMetal} />}
      {view === 'expansion' && <ExpansionPanel alloy={alloy} typed={expansion} onTyped={setExpansion} />}
      {view === 'burnout' && <BurnoutPanel draft={burnout} onDraft={setBurnout} />}
      {view === 'arm' && <ArmPanel alloy={alloy} typed={arm} onTyped={setArm} />}
    </main>
  )
}
