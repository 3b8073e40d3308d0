import { gaugeMillimetres, sprueGauges } from '@yentrik/core'
import { useState } from 'react'
import { Pills } from '../../parts/Choices.tsx'
import type { DrillProps } from './drill-props.ts'
import { Ready, Slide } from './Ready.tsx'

/** A pattern in its ring, to scale, as gauge, length and ring are chosen. */
export function SprueDrill({ task, done, onAnswer }: DrillProps<'sprue'>) {
  const [gauge, setGauge] = useState(14)
  const [length, setLength] = useState(8)
  const [ring, setRing] = useState(task.rings[1]!)
  const { formerMillimetres: former, patternHeightMillimetres: pattern } = task
  const wire = gaugeMillimetres(gauge)
  return (
    <div className="grid gap-6 sm:grid-cols-[14rem_minmax(0,1fr)]">
      <svg
        viewBox="-22 -50 44 54"
        className="w-full"
        role="img"
        aria-label={`The pattern in a ring of ${ring} mm`}
      >
        <rect
          x="-16"
          y={-ring}
          width="32"
          height={ring}
          fill="var(--color-base-300)"
          stroke="var(--color-base-content)"
          strokeWidth="0.6"
        />
        <path
          d={`M-14 0 L-3 ${-former} H3 L14 0 Z`}
          fill="var(--color-base-100)"
          stroke="var(--color-base-content)"
          strokeWidth="0.4"
        />
        <rect x={-wire / 2} y={-former - length} width={wire} height={length} fill="#6b8f6b" />
        <rect
          x="-5"
          y={-former - length - pattern}
          width="10"
          height={pattern}
          rx="3"
          fill="#6b8f6b"
          stroke="var(--color-base-content)"
          strokeWidth="0.4"
        />
      </svg>
      <div className="grid content-start gap-4">
        <p className="text-lg">
          Thickest part <b className="figures">{task.thickestMillimetres} mm</b>, pattern{' '}
          <b className="figures">{pattern} mm</b> high, former <b className="figures">{former} mm</b>;{' '}
          {task.binder}-bonded investment.
        </p>
        <Pills
          label="Sprue, gauge"
          options={sprueGauges.map((each) => [String(each), String(each)] as const)}
          value={String(gauge)}
          onChoose={(next) => setGauge(Number(next))}
        />
        <Slide
          label="Length of the sprue"
          value={length}
          min={3}
          max={15}
          step={0.5}
          words={`${length} mm`}
          disabled={done}
          onValue={setLength}
        />
        <Pills
          label="Ring, height in mm"
          options={task.rings.map((each) => [String(each), String(each)] as const)}
          value={String(ring)}
          onChoose={(next) => setRing(Number(next))}
        />
        <Ready
          done={done}
          onReady={() =>
            onAnswer({ drill: 'sprue', gauge, lengthMillimetres: length, ringMillimetres: ring })
          }
        />
      </div>
    </div>
  )
}
