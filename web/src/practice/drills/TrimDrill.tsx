import { type MouseEvent, useState } from 'react'
import type { DrillProps } from './drill-props.ts'
import { Ready } from './Ready.tsx'

interface Place {
  readonly x: number
  readonly y: number
}
/** Of the picture, mm: the back edge is at the foot. */
const BOX = { left: -46, top: -8, width: 92, height: 74 } as const

/** Landmarks by tapping them on an arch seen from above. */
export function TrimDrill({ task: { teeth, wanted, at }, done, onAnswer }: DrillProps<'trim'>) {
  const [places, setPlaces] = useState<readonly Place[]>([])
  const next = wanted[places.length]
  const y = (millimetres: number) => BOX.height - 8 - millimetres
  const put = (event: MouseEvent<SVGSVGElement>) => {
    if (done || !next) return
    const matrix = event.currentTarget.getScreenCTM()?.inverse()
    if (!matrix) return
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix)
    setPlaces([...places, { x: point.x, y: y(point.y) }])
  }
  return (
    <div className="grid gap-4 sm:grid-cols-[minmax(0,1fr)_18rem]">
      {/* biome-ignore lint/a11y/useKeyWithClickEvents: a landmark is a place, and a place is pointed at */}
      <svg
        viewBox={`${BOX.left} ${BOX.top} ${BOX.width} ${BOX.height}`}
        className="bg-base-200 w-full cursor-crosshair rounded-2xl"
        role="img"
        aria-label="An arch seen from above"
        onClick={put}
      >
        <path
          d={`M-40 ${y(2)} C-42 ${y(34)} -26 ${y(62)} 0 ${y(62)} C26 ${y(62)} 42 ${y(34)} 40 ${y(2)} Z`}
          fill="var(--tooth)"
          fillOpacity="0.45"
          stroke="var(--color-base-content)"
          strokeWidth="0.4"
        />
        {teeth.map((tooth, n) => {
          const front = n >= 5 && n <= 8
          const canine = n === 4 || n === 9
          const back = n < 2 || n > 11
          return (
            <g key={`${tooth.x}`}>
              <ellipse
                cx={tooth.x}
                cy={y(tooth.y)}
                rx={front ? 3.4 : canine ? 3.4 : back ? 4.8 : 3.6}
                ry={front ? 2.8 : canine ? 3.4 : back ? 4.9 : 3.4}
                fill="var(--color-base-100)"
                stroke="var(--color-base-content)"
                strokeWidth="0.35"
              />
              {canine && <circle cx={tooth.x} cy={y(tooth.y)} r="0.6" fill="var(--color-base-content)" />}
            </g>
          )
        })}
        {[at['tuber-right'], at['tuber-left']].map(
          (place) =>
            place && (
              <path
                key={place.x}
                d={`M${place.x - 2} ${y(place.y)} q2 3 4 0`}
                fill="none"
                stroke="var(--color-base-content)"
                strokeWidth="0.5"
              />
            ),
        )}
        {places.map(({ x, y: up }, n) => (
          <g key={wanted[n]!.id} stroke="var(--color-error)" strokeWidth="0.6">
            <path d={`M${x - 1.5} ${y(up)} h3 M${x} ${y(up) - 1.5} v3`} />
          </g>
        ))}
        {done &&
          wanted.map(({ id }) => (
            <circle
              key={id}
              cx={at[id]!.x}
              cy={y(at[id]!.y)}
              r="1.4"
              fill="none"
              stroke="var(--color-success)"
              strokeWidth="0.5"
            />
          ))}
      </svg>
      <div className="grid content-start gap-3">
        <p className="text-xl font-semibold">
          {next ? `Tap: ${next.name.charAt(0).toLowerCase()}${next.name.slice(1)}.` : 'All five are set.'}
        </p>
        {places.length > 0 && !done && (
          <button
            type="button"
            className="small-act justify-self-start"
            onClick={() => setPlaces(places.slice(0, -1))}
          >
            The last one again
          </button>
        )}
        <Ready
          done={done}
          disabled={next !== undefined}
          onReady={() => onAnswer({ drill: 'trim', places })}
        />
      </div>
    </div>
  )
}
