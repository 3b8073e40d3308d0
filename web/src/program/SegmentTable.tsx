import { NumberGrid } from '../parts/NumberGrid.tsx'
import type { SegmentDraft } from './program-draft.ts'

const columns = [
  ['rate', 'rate', '°C/min'],
  ['to', 'to', '°C'],
  ['hold', 'hold', 'min'],
] as const satisfies readonly (readonly [keyof SegmentDraft, string, string])[]

/** A program line by line, as it is typed; a line more or less. */
export function SegmentTable({
  segments,
  onSegments,
}: {
  segments: readonly SegmentDraft[]
  onSegments: (segments: readonly SegmentDraft[]) => void
}) {
  return (
    <>
      <NumberGrid
        caption="Program"
        columns={columns}
        rows={segments}
        rowName="line"
        onText={(row, column, text) =>
          onSegments(segments.map((each, n) => (n === row ? { ...each, [column]: text } : each)))
        }
      />
      <div className="flex gap-2">
        <button
          type="button"
          className="small-act"
          onClick={() => onSegments([...segments, { rate: '5', to: '', hold: '0' }])}
        >
          Another line
        </button>
        {segments.length > 1 && (
          <button type="button" className="small-act" onClick={() => onSegments(segments.slice(0, -1))}>
            One less
          </button>
        )}
      </div>
    </>
  )
}
