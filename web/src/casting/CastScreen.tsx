import { alloyCards, type Binder } from '@yentrik/core'
import { useState } from 'react'
import { type Options, Pills, SelectField } from '../parts/Choices.tsx'
import { useKept } from '../parts/use-kept.ts'
import { ArmPanel, armStart } from './ArmPanel.tsx'
import { BurnoutPanel } from './BurnoutPanel.tsx'
import { type BurnoutDraft, burnoutStart } from './burnout-draft.ts'
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

/** The arithmetic of the lost wax, from the sprue to the arm. What is entered is kept for this session. */
export function CastScreen() {
  const [view, setView] = useState<View>('sprue')
  const [alloyId, setAlloyId] = useKept('cast alloy', () => alloyCards[2]!.id)
  const alloy = alloyCards.find(({ id }) => id === alloyId) ?? alloyCards[0]!
  const [binder, setBinder] = useKept<Binder>('cast binder', () => 'phosphate')
  const [sprue, setSprue] = useKept<Typed>('cast sprue', () => sprueStart)
  const [metal, setMetal] = useKept<Typed>('cast metal', () => metalStart)
  const [expansion, setExpansion] = useKept<Typed>('cast expansion', () => expansionStart)
  const [burnout, setBurnout] = useKept<BurnoutDraft>('cast burnout', () => burnoutStart)
  const [arm, setArm] = useKept<Typed>('cast arm', () => armStart)
  const wantsAlloy = view === 'metal' || view === 'expansion' || view === 'arm'
  return (
    <main className="mx-auto grid max-w-[1500px] gap-3 p-4 sm:p-5">
      <header className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <h1 className="text-3xl font-bold">Cast</h1>
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
