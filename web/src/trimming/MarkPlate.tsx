import type { Point } from '@yentrik/core'
import { useRef } from 'react'
import type { LandmarkSpec, ModelDraft } from './trim-draft.ts'

/** A picture to mark on, in pixels of its own; not kept over a reload, the points are. */
export interface ModelPicture {
  readonly url: string
  readonly width: number
  readonly height: number
  readonly name: string
}

/** What else than a landmark can be marked. */
export const HEIGHT_KEY = 'heights'
export const SCALE_KEY = 'scale'

/** A hand trembles by so much without meaning to move a mark. */
const DRAG_PIXELS = 5

interface PlateProps {
  readonly view: { readonly x: number; readonly y: number; readonly width: number; readonly height: number }
  readonly picture?: ModelPicture
  readonly model: ModelDraft
  readonly specs: readonly LandmarkSpec[]
  readonly current: string
  readonly scaleEnds: readonly Point[]
  readonly onPlace: (at: Point) => void
  readonly onMove: (key: string, index: number, at: Point) => void
}

/** The picture, or a bare plate, with every mark on it. A click marks, a mark can be dragged. */
export function MarkPlate({ view, picture, model, specs, current, scaleEnds, onPlace, onMove }: PlateProps) {
  const svg = useRef<SVGSVGElement>(null)
  const held = useRef<{ key: string; index: number; x: number; y: number; moved: boolean }>(undefined)
  const at = (event: { clientX: number; clientY: number }): Point => {
    const matrix = svg.current?.getScreenCTM()?.inverse()
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix)
    // A plate without a picture has its front upwards.
    return picture ? { x, y } : { x, y: view.height + 2 * view.y - y }
  }
  const shown = (p: Point): Point => (picture ? p : { x: p.x, y: view.height + 2 * view.y - p.y })
  const size = view.width / 100
  const marks = [
    ...specs.flatMap(({ key }) => (model.points[key] ?? []).map((p, index) => ({ key, index, p }))),
    ...model.heights.map(({ at: p }, index) => ({ key: HEIGHT_KEY, index, p })),
    ...scaleEnds.map((p, index) => ({ key: SCALE_KEY, index, p })),
  ]
  return (
    <svg
      ref={svg}
      viewBox={`${view.x} ${view.y} ${view.width} ${view.height}`}
      className="bg-base-200 min-h-72 w-full grow touch-none rounded-2xl"
      role="application"
      aria-label="Plate: click to mark, or type the points beside it"
      onPointerDown={(event) => {
        if (!held.current && event.button === 0) onPlace(at(event))
      }}
      onPointerMove={(event) => {
        const mark = held.current
        if (!mark) return
        mark.moved ||= Math.hypot(event.clientX - mark.x, event.clientY - mark.y) > DRAG_PIXELS
        if (mark.moved) onMove(mark.key, mark.index, at(event))
      }}
      onPointerUp={(event) => {
        // A tap on a mark that did not move is a new mark beside it.
        if (held.current && !held.current.moved) onPlace(at(event))
        held.current = undefined
      }}
      onPointerCancel={() => {
        held.current = undefined
      }}
    >
      {picture ? (
        <image
          href={picture.url}
          x={0}
          y={0}
          width={view.width}
          height={view.height}
          preserveAspectRatio="none"
        />
      ) : (
        <Grid view={view} />
      )}
      {specs.map(({ key }) => {
        const line = (model.points[key] ?? []).map(shown)
        if (line.length < 2) return null
        const path = `M${line.map(({ x, y }) => `${x} ${y}`).join('L')}${key === 'outline' ? 'z' : ''}`
        return (
          <path
            key={key}
            d={path}
            fill="none"
            stroke={key === 'outline' ? '#1c292b' : '#0f5a62'}
            strokeWidth={0.4 * size}
            strokeDasharray={key === 'outline' ? `${size} ${size}` : undefined}
          />
        )
      })}
      {marks.map(({ key, index, p }) => {
        const { x, y } = shown(p)
        const on = key === current
        return (
          <g
            key={`${key} ${index}`}
            className="cursor-grab"
            onPointerDown={(event) => {
              if (key === SCALE_KEY) return
              event.stopPropagation()
              svg.current?.setPointerCapture(event.pointerId)
              held.current = { key, index, x: event.clientX, y: event.clientY, moved: false }
            }}
          >
            <circle cx={x} cy={y} r={2 * size} fill="transparent" />
            <circle
              cx={x}
              cy={y}
              r={(on ? 1.1 : 0.8) * size}
              fill={on ? '#9c2226' : '#0f5a62'}
              stroke="#ffffff"
              strokeWidth={0.3 * size}
            />
          </g>
        )
      })}
    </svg>
  )
}

/** A plate with lines 10 mm apart. */
function Grid({ view }: { view: PlateProps['view'] }) {
  const lines = Array.from({ length: 12 }, (_, n) => n * 10)
  return (
    <g stroke="var(--color-base-300)" strokeWidth="0.2">
      {lines.map((n) => (
        <path key={n} d={`M${view.x + n} ${view.y}v${view.height}M${view.x} ${view.y + n}h${view.width}`} />
      ))}
      <path d={`M0 ${view.y}v${view.height}`} strokeWidth="0.5" stroke="var(--color-base-content)" />
    </g>
  )
}
