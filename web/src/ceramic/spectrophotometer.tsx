import type { Body, DevicesState } from '@yentrik/contract'
import type { Lab, Saying, Specular } from '@yentrik/core'
import { useDevices } from '../devices/use-devices.ts'
import { clockTime } from '../format/format.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Message } from '../parts/Message.tsx'

interface Spectrophotometer {
  readonly state: DevicesState['spectrophotometer'] | undefined
  readonly there: boolean
  readonly refusal: Saying | undefined
  /** Once; undefined where it was refused. */
  readonly read: () => Promise<{ readonly colour: Lab; readonly specular: Specular } | undefined>
  readonly white: () => Promise<unknown>
}

/** The spectrophotometer of the bench: one reading at a time; nothing where none is connected. */
export function useSpectrophotometer(): Spectrophotometer {
  const state = useDevices()?.spectrophotometer
  const { refusal, run } = useRequest()
  return {
    state,
    there: state?.name !== undefined,
    refusal,
    read: () => run(() => request('POST /devices/spectrophotometer/read')),
    white: () => run(() => request('POST /devices/spectrophotometer/white')),
  }
}

/** What it says of itself, and its white tile; the hand at a stand-in. */
export function SpectrophotometerBar({
  heard: { state, refusal, white },
  specular,
  under = [],
}: {
  readonly heard: Spectrophotometer
  /** That of the plan. */
  readonly specular: Specular
  /** What may be put under a stand-in. */
  readonly under?: readonly (readonly [words: string, colour: Lab])[]
}) {
  if (state?.name === undefined) return null
  const does = (body: Body<'POST /devices/stand-in/spectrophotometer'>) =>
    void request('POST /devices/stand-in/spectrophotometer', { body }).catch(() => undefined)
  const other = state.specular !== undefined && state.specular !== specular
  return (
    <section className="grid gap-2" aria-label="Spectrophotometer">
      <p className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <b>{state.name}</b>
        <span>
          {state.whiteAt
            ? `white tile ${clockTime(Date.parse(state.whiteAt))}`
            : 'has not seen its white tile'}
          , gloss {state.specular ?? 'not said'}
        </span>
        <button type="button" className="small-act" onClick={() => void white()}>
          Its white tile is under it
        </button>
      </p>
      {other && (
        <Message tone="error">
          {`It reads with the gloss ${state.specular}, the plan has it ${specular}. Set the instrument, or the plan.`}
        </Message>
      )}
      {state.fault && <Message tone="error">{state.fault}</Message>}
      {refusal && <Message tone="error" words={refusal} />}
      {state.standIn && (
        <details>
          <summary className="min-h-11 cursor-pointer font-semibold">Stand-in: what lies under it</summary>
          <div className="flex flex-wrap gap-2">
            {under.map(([words, colour]) => (
              <button
                key={words}
                type="button"
                className="small-act"
                onClick={() => does({ does: 'put', colour })}
              >
                {words}
              </button>
            ))}
            <button type="button" className="small-act" onClick={() => does({ does: 'tilt' })}>
              The next reading slips over an edge
            </button>
            <button
              type="button"
              className="small-act"
              onClick={() => does({ does: 'specular', specular: other ? specular : 'included' })}
            >
              {other ? 'Set its gloss right' : 'Its gloss is set wrong'}
            </button>
          </div>
        </details>
      )}
    </section>
  )
}
