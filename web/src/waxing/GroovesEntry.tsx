import { type DrawnLine, type GroovePattern, groovePatternsFor, parseTeeth, showTooth } from '@yentrik/core'
import { useState } from 'react'
import { attempt } from '../parts/attempt.ts'
import { Pills } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { TextField } from '../parts/TextField.tsx'
import { usePreferences } from '../preferences/preferences.ts'
import type { SheetEntryProps } from '../record/sheet-entry.ts'

/** Which grooves or ridges the tooth gets: drawings made for this, the choice goes on record with the tooth. */
export function GroovesEntry({ last, teeth, draftKey, refusal, open, onRecord }: SheetEntryProps<'grooves'>) {
  const notation = usePreferences((preferences) => preferences.teeth)
  const named = teeth.filter((tooth) => groovePatternsFor(tooth).length > 0)
  const [typed, setTyped] = useDraft<string>(draftKey, () => '')
  const [tooth, setTooth] = useState<number | undefined>(() => last?.tooth ?? named[0] ?? toothIn(typed))
  function toothIn(text: string): number | undefined {
    return attempt(() => parseTeeth(text, notation)).answer?.[0]
  }
  const patterns = tooth === undefined ? [] : groovePatternsFor(tooth)
  const type = (text: string) => {
    setTyped(text)
    setTooth(toothIn(text))
  }
  return (
    <div className="grid gap-3">
      {named.length > 0 ? (
        <Pills
          label="Tooth"
          options={named.map((each) => [String(each), showTooth(each, notation)] as const)}
          value={String(tooth)}
          onChoose={(each) => setTooth(Number(each))}
        />
      ) : (
        <div className="max-w-40">
          <TextField label="Tooth" text={typed} onText={type} hint="any but a wisdom tooth" />
        </div>
      )}
      {tooth !== undefined && patterns.length === 0 && (
        <Message tone="warning">A wisdom tooth has no usual pattern: enter another tooth.</Message>
      )}
      <div className="grid gap-3 sm:grid-cols-2">
        {patterns.map((pattern) => {
          const chosen = last?.tooth === tooth && last?.patternId === pattern.id
          return (
            <button
              key={pattern.id}
              type="button"
              disabled={!open}
              aria-pressed={chosen}
              className={`card-flat p-3 text-left ${chosen ? 'border-primary border-2' : ''}`}
              onClick={() =>
                tooth !== undefined && void onRecord({ kind: 'grooves', tooth, patternId: pattern.id })
              }
            >
              <GrooveDrawing
                pattern={pattern}
                mirrored={tooth !== undefined && [1, 4].includes(Math.floor(tooth / 10))}
              />
              <b className="text-lg">{pattern.name}</b>
              <span className="block">{pattern.says}</span>
            </button>
          )
        })}
      </div>
      {refusal && <Message tone="error" words={refusal} />}
    </div>
  )
}

const smooth = (line: DrawnLine) => {
  // Through the middles of the sides, with the corners as handles: a closed soft outline.
  const middle = (a: number) => {
    const [p, q] = [line[a % line.length]!, line[(a + 1) % line.length]!]
    return `${(p[0] + q[0]) / 2} ${(p[1] + q[1]) / 2}`
  }
  return `M${middle(0)}${line.map((_, n) => `Q${line[(n + 1) % line.length]!.join(' ')} ${middle(n + 1)}`).join('')}z`
}

/** The chewing face from above, buccal at the top, or a front tooth from lingual; mesial left, or right when mirrored. */
function GrooveDrawing({ pattern, mirrored }: { pattern: GroovePattern; mirrored: boolean }) {
  const ink = 'var(--color-base-content)'
  return (
    <svg
      viewBox="0 0 130 110"
      className="h-36 w-full"
      role="img"
      aria-label={`${pattern.name}, from ${pattern.face ?? 'above'}`}
    >
      <g transform={mirrored ? 'matrix(-1 0 0 1 115 4)' : 'translate(15 4)'}>
        <path d={smooth(pattern.outline)} fill="var(--tooth)" stroke={ink} strokeWidth="1.6" />
        {pattern.cusps.map(([x, y]) => (
          <circle
            key={`${x} ${y}`}
            cx={x}
            cy={y}
            r="6.5"
            fill="var(--color-base-100)"
            stroke={ink}
            strokeWidth="0.8"
          />
        ))}
        {pattern.grooves.map((groove) => (
          <polyline
            key={groove.join(' ')}
            points={groove.map((p) => p.join(',')).join(' ')}
            fill="none"
            stroke="var(--color-primary)"
            strokeWidth="2.6"
            strokeLinecap="round"
            strokeLinejoin="round"
          />
        ))}
        {pattern.pits.map(([x, y]) => (
          <circle key={`${x} ${y}`} cx={x} cy={y} r="2.6" fill="var(--color-primary)" />
        ))}
      </g>
      <text x={mirrored ? 129 : 1} y="58" fontSize="9" fill={ink} textAnchor={mirrored ? 'end' : 'start'}>
        m
      </text>
    </svg>
  )
}
