import { useRef, useState } from 'react'
import { ReadingDrawing } from '../../drawings/ReadingDrawing.tsx'
import { keptUnit } from '../../parts/bench-unit.ts'
import { NumberField } from '../../parts/NumberField.tsx'
import { readNumber } from '../../parts/read-number.ts'
import type { DrillProps } from './drill-props.ts'

/** One instrument after the other; the seconds count. */
export function ReadDrill({ task: { readings }, done, onAnswer }: DrillProps<'read'>) {
  const [values, setValues] = useState<readonly number[]>([])
  const [text, setText] = useState('')
  const [fault, setFault] = useState<string>()
  const began = useRef(performance.now())
  const at = readings[values.length]
  if (!at || done) return <p className="text-xl font-semibold">All ten are read.</p>
  const { unit } = keptUnit(at.quantity)
  const next = () => {
    const { value, fault: wrong } = readNumber(text, unit)
    setFault(wrong)
    if (value === undefined) return
    const all = [...values, value]
    setValues(all)
    setText('')
    if (all.length === readings.length)
      onAnswer({ drill: 'read', values: all, seconds: (performance.now() - began.current) / 1000 })
  }
  return (
    <form
      className="grid gap-4 sm:grid-cols-[minmax(0,1fr)_16rem]"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        next()
      }}
    >
      <ReadingDrawing
        scale={at.scale}
        pointer={at.pointer}
        unit={unit}
        name={`Instrument ${values.length + 1}`}
      />
      <div className="grid content-center gap-3">
        <p className="figures">
          {values.length + 1} of {readings.length}
        </p>
        <NumberField label="It reads" unit={unit} text={text} onText={setText} fault={fault} />
        <button type="submit" className="act-main">
          Next
        </button>
      </div>
    </form>
  )
}
