import { pouredGrams } from '@yentrik/core'
import { useEffect, useRef, useState } from 'react'
import type { DrillProps } from './drill-props.ts'
import { Ready } from './Ready.tsx'

/** Hold to tilt the scoop; what is on the way still falls when it is set down. */
export function PourDrill({ task, done, onAnswer }: DrillProps<'pour'>) {
  const [pours, setPours] = useState<readonly number[]>([])
  const [since, setSince] = useState<number>()
  const [now, setNow] = useState(0)
  const frame = useRef(0)
  useEffect(() => {
    if (since === undefined) return
    const tick = () => {
      setNow(performance.now())
      frame.current = requestAnimationFrame(tick)
    }
    frame.current = requestAnimationFrame(tick)
    return () => cancelAnimationFrame(frame.current)
  }, [since])
  const tilted = since === undefined ? 0 : Math.max(0, now - since) / 1000
  const onPan = pouredGrams(task, pours) + tilted * task.gramsPerSecond
  const begin = () => {
    if (done || since !== undefined) return
    setSince(performance.now())
    setNow(performance.now())
  }
  const end = () => {
    if (since === undefined) return
    const seconds = Math.max(0.02, (performance.now() - since) / 1000)
    setPours((before) => [...before, seconds])
    setSince(undefined)
  }
  return (
    <div className="grid gap-4 sm:grid-cols-2">
      <div>
        <p className="text-lg">
          Wanted: <b className="figures text-4xl">{task.targetGrams} g</b>
        </p>
        <p
          className="figures bg-base-200 mt-3 rounded-2xl px-6 py-5 font-mono text-7xl font-bold"
          aria-live="off"
        >
          {onPan.toFixed(1)} <span className="text-4xl">g</span>
        </p>
      </div>
      <div className="grid content-start gap-3">
        <p className="text-lg">
          Hold the scoop tilted; set it down in time. A little can be added, nothing comes back.
        </p>
        <button
          type="button"
          className="act h-28 text-2xl"
          disabled={done}
          onPointerDown={begin}
          onPointerUp={end}
          onPointerLeave={end}
          onKeyDown={(event) => (event.key === ' ' || event.key === 'Enter') && !event.repeat && begin()}
          onKeyUp={end}
        >
          Tilt the scoop
        </button>
        <Ready
          done={done}
          disabled={pours.length === 0 || since !== undefined}
          onReady={() => onAnswer({ drill: 'pour', pours: pours.map((seconds) => ({ seconds })) })}
        />
      </div>
    </div>
  )
}
