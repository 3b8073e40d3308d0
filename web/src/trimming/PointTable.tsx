import type { Point } from '@yentrik/core'
import { qty, type Saying, saying } from '@yentrik/core'
import { useState } from 'react'
import { shownText, useBenchUnit } from '../parts/bench-unit.ts'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberEntry } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { usePreferences } from '../preferences/preferences.ts'
import type { LandmarkSpec } from './trim-draft.ts'

/** The points of a landmark as numbers: to look at, or to type from calipers instead of marking. */
export function PointTable({
  spec,
  points,
  onPoints,
}: {
  spec: LandmarkSpec
  points: readonly Point[]
  onPoints: (points: readonly Point[]) => void
}) {
  const [x, setX] = useDraft<string>(`point across ${spec.key}`, () => '')
  const [y, setY] = useDraft<string>(`point along ${spec.key}`, () => '')
  const [fault, setFault] = useState<Saying>()
  const benchUnit = useBenchUnit()
  const system = usePreferences(({ units }) => units)
  const shown = (mm: number) => shownText(mm.toFixed(1), 'mm', system)
  const add = () => {
    const [across, forward] = [readNumber(x, 'mm'), readNumber(y, 'mm')]
    const wrong =
      across.fault ??
      forward.fault ??
      ([across.value, forward.value].some((value) => Math.abs(value ?? 0) > 500)
        ? saying`That is off the plate: enter at most ${qty.mm(500)}.`
        : undefined)
    setFault(wrong)
    if (wrong !== undefined) return
    const point = { x: across.value!, y: forward.value! }
    onPoints(spec.want === 1 ? [point] : [...points, point])
    setX('')
    setY('')
  }
  const entry = (label: string, text: string, onText: (text: string) => void) => (
    <span className="min-w-0">
      <span className="text-sm">{label}</span>
      <NumberEntry
        size="cell"
        name={label}
        unit="mm"
        text={text}
        onText={onText}
        wrong={fault !== undefined && readNumber(text, 'mm').fault !== undefined}
      />
    </span>
  )
  return (
    <form
      className="border-base-300 mt-3 grid gap-2 border-t pt-2"
      noValidate
      aria-label={`Type ${spec.name}`}
      onSubmit={(event) => {
        event.preventDefault()
        add()
      }}
    >
      <p className="text-sm">
        {spec.name} by numbers, {benchUnit('mm')}:{' '}
        {points.map((p) => `(${shown(p.x)}, ${shown(p.y)})`).join(' ') || 'none yet'}
      </p>
      {fault && <Message tone="error" words={fault} />}
      <div className="grid grid-cols-[1fr_1fr_auto] items-end gap-2">
        {entry('Across', x, setX)}
        {entry('Along', y, setY)}
        <button type="submit" className="small-act h-12">
          Add
        </button>
      </div>
    </form>
  )
}
