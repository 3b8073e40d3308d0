import type { Body } from '@yentrik/contract'
import { request } from '../live/request.ts'

/** What a person does at the stand-in balance: only where no real one is connected. */
export function StandInControls({ targetGrams, plugged }: { targetGrams: number; plugged: boolean }) {
  const does = (body: Body<'POST /devices/stand-in/balance'>) =>
    void request('POST /devices/stand-in/balance', { body }).catch(() => undefined)
  return (
    <fieldset className="border-base-300 flex flex-wrap items-center gap-1.5 border-t border-dashed pt-2">
      <legend className="sr-only">Hand at the stand-in balance</legend>
      <span className="w-full text-sm opacity-80">No balance is connected: this hand stands in for one.</span>
      {plugged ? (
        <>
          <button
            type="button"
            className="small-act"
            onClick={() => does({ does: 'pour', gramsPerSecond: Math.max(3, targetGrams / 12) })}
          >
            Pour on
          </button>
          <button type="button" className="small-act" onClick={() => does({ does: 'stop' })}>
            Hold
          </button>
          <button type="button" className="small-act" onClick={() => does({ does: 'takeOut', grams: 3 })}>
            3 g out
          </button>
          <button type="button" className="small-act" onClick={() => does({ does: 'clear' })}>
            Clear
          </button>
          <button type="button" className="small-act" onClick={() => does({ does: 'unplug' })}>
            Unplug
          </button>
        </>
      ) : (
        <button type="button" className="small-act" onClick={() => does({ does: 'plugIn' })}>
          Plug in
        </button>
      )}
    </fieldset>
  )
}
