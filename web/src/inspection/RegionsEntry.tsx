import { type RegionSeen, regionsOf } from '@yentrik/core'
import { useState } from 'react'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import type { SheetEntryProps } from '../record/sheet-entry.ts'
import { RegionDrawing } from './RegionDrawing.tsx'
import type { RegionLook } from './Tap.tsx'

/** The work, region by region: tap one, read what good looks like, answer. Stored when every region was looked at. */
export function RegionsEntry({ sheet, last, draftKey, refusal, open, onRecord }: SheetEntryProps<'regions'>) {
  const regions = regionsOf[sheet.drawing]
  const [seen, keep, forget] = useDraft<readonly RegionSeen[]>(draftKey, () => last?.regions ?? [])
  const [picked, setPicked] = useState(
    () => regions.find(({ id }) => !seen.some((s) => s.region === id))?.id ?? '',
  )
  const region = regions.find(({ id }) => id === picked)
  const lookAt = (id: string): RegionLook => {
    const answer = seen.find((each) => each.region === id)
    return answer === undefined ? 'open' : answer.fault === undefined ? 'good' : 'fault'
  }
  const answer = (fault: string | undefined) => {
    const next = [
      ...seen.filter((each) => each.region !== picked),
      { region: picked, ...(fault ? { fault } : {}) },
    ]
    keep(next)
    const open = regions.find(({ id }) => !next.some((each) => each.region === id))
    setPicked(open?.id ?? picked)
    if (!open) void onRecord({ kind: 'regions', regions: next }).then((kept) => kept && forget())
  }
  const now = seen.find((each) => each.region === picked)
  return (
    <div className="grid gap-3">
      <div className="grid gap-3">
        <RegionDrawing drawing={sheet.drawing} picked={picked} look={lookAt} onPick={setPicked} />
        <div className="grid content-start gap-2">
          {region && (
            <>
              <h4 className="text-xl font-bold">{region.name}</h4>
              <p className="text-lg">{region.good}</p>
              <div className="flex flex-wrap gap-2">
                <button
                  type="button"
                  className={`act ${now && now.fault === undefined ? 'btn-success' : ''}`}
                  disabled={!open}
                  aria-pressed={now !== undefined && now.fault === undefined}
                  onClick={() => answer(undefined)}
                >
                  Good
                </button>
                {region.faults.map(({ fault }) => (
                  <button
                    key={fault}
                    type="button"
                    className={`act ${now?.fault === fault ? 'btn-error' : ''}`}
                    disabled={!open}
                    aria-pressed={now?.fault === fault}
                    onClick={() => answer(fault)}
                  >
                    {fault}
                  </button>
                ))}
              </div>
            </>
          )}
        </div>
      </div>
      <ul className="flex flex-wrap gap-2" aria-label="Regions">
        {regions.map(({ id, name }) => {
          const state = lookAt(id)
          return (
            <li key={id}>
              <button
                type="button"
                className={`small-act ${id === picked ? 'outline-3 outline-primary' : ''} ${state === 'fault' ? 'btn-error' : ''}`}
                onClick={() => setPicked(id)}
              >
                {name}
                {state === 'good' ? ' ✓' : state === 'fault' ? ' !' : ''}
              </button>
            </li>
          )
        })}
      </ul>
      {refusal && <Message tone="error" words={refusal} />}
    </div>
  )
}
