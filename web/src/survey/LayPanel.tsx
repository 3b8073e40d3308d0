import type { MeshTightness, Vector } from '@yentrik/core'
import { useState } from 'react'
import { Pills } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { useMillimetres } from '../preferences/words.tsx'
import { useWorker } from '../worker/use-worker.ts'
import type { SurveyDraft } from './survey-draft.ts'
import type { Counted, SurveyState } from './use-survey.ts'

/** What the next tap on the cast means. */
export type TapFor = 'place' | 'gum' | 'sulcus' | 'paint' | 'paintGum' | 'front' | 'back' | 'plane'

const taps: readonly (readonly [TapFor, string])[] = [
  ['place', 'a place for an arm'],
  ['gum', 'the gum under it'],
  ['sulcus', 'the lowest sulcus'],
  ['paint', 'paint what counts'],
  ['paintGum', 'paint the gum'],
  ['front', 'front of the midline'],
  ['back', 'back of the midline'],
  ['plane', 'three of the plane'],
]

/** Taps that lay the cast, gathered until they are enough. */
export interface LayTaps {
  readonly front?: Vector
  readonly back?: Vector
  readonly plane: readonly Vector[]
}

/** How the scan lies and what of it counts. */
export function LayPanel({
  state,
  draft,
  tapFor,
  layTaps,
  onTapFor,
  onFloor,
  onLay,
}: {
  readonly state: SurveyState
  readonly draft: SurveyDraft
  readonly tapFor: TapFor
  readonly layTaps: LayTaps
  readonly onTapFor: (tapFor: TapFor) => void
  readonly onFloor: (text: string) => void
  readonly onLay: () => void
}) {
  const { lay, laid, counted } = state
  const mm = useMillimetres(1)
  const [open, setOpen] = useState(false)
  const tight = useWorker(open && laid ? { sha: state.scan?.opened.sha256 } : undefined, () =>
    state.give<MeshTightness>((work) => work.tightness()),
  )?.answer
  if (!lay || !laid || !counted) return null
  const floor = readNumber(draft.floor, 'mm', { wanted: false })
  const change = (to: Partial<Counted>) => void state.count({ ...counted, ...to })
  return (
    <details className="card-flat p-4" onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary className="cursor-pointer py-2 text-lg font-bold">How it lies, and what counts</summary>
      <div className="mt-3 grid gap-4 md:grid-cols-[minmax(0,2fr)_minmax(0,1fr)]">
        <div className="grid content-start gap-3">
          <Pills<TapFor> label="A tap on the cast is" options={taps} value={tapFor} onChoose={onTapFor} />
          {(tapFor === 'front' || tapFor === 'back' || tapFor === 'plane') && (
            <p className="flex flex-wrap items-center gap-3">
              <span>
                {layTaps.front ? 'front tapped' : 'front missing'},{' '}
                {layTaps.back ? 'back tapped' : 'back missing'},{' '}
                {layTaps.plane.length === 0
                  ? 'plane: the one of the file'
                  : `plane: ${layTaps.plane.length} of 3`}
              </span>
              <button
                type="button"
                className="small-act"
                disabled={!layTaps.front || !layTaps.back}
                onClick={onLay}
              >
                Lay it so
              </button>
            </p>
          )}
          {(counted.painted.length > 0 || counted.gum.length > 0) && (
            <button
              type="button"
              className="small-act justify-self-start"
              onClick={() => change({ painted: [], gum: [] })}
            >
              Wipe the paint off
            </button>
          )}
        </div>
        <div className="grid content-start gap-2">
          <NumberField
            label="Floor, over the lowest of the scan"
            unit="mm"
            text={draft.floor}
            onText={(text) => {
              onFloor(text)
              const { value } = readNumber(text, 'mm')
              if (value !== undefined) change({ floorMillimetres: laid.min[2] + value })
            }}
            fault={floor.fault}
            hint={`now ${mm(counted.floorMillimetres - laid.min[2])}: nothing under it counts`}
          />
          <div className="flex flex-wrap gap-2">
            <button
              type="button"
              className="small-act"
              onClick={() => void state.layScan({ ...lay, turnedOver: !lay.turnedOver })}
            >
              Turn the cast over
            </button>
            {laid.stray && (
              <button
                type="button"
                className="small-act"
                onClick={() => void state.layScan({ ...lay, keepStray: !lay.keepStray })}
              >
                {lay.keepStray ? 'Leave out what lies apart' : 'Put back what lies apart'}
              </button>
            )}
          </div>
          {tight && !tight.watertight && (
            <p className="opacity-80">
              {tight.openEdges > 0
                ? `Open along ${tight.openEdges} edges: the floor closes the room, depths are right all the same.`
                : `${tight.tangledEdges} edges are tangled: right for a survey, look twice before a volume is trusted.`}
            </p>
          )}
          {laid.words.map(({ code, say }) => (
            <Message key={code} tone="warning" words={say} />
          ))}
        </div>
      </div>
    </details>
  )
}
