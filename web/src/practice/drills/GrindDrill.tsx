import { useState } from 'react'
import { Link } from 'react-router'
import { NumberField } from '../../parts/NumberField.tsx'
import { readNumber } from '../../parts/read-number.ts'
import type { DrillProps } from './drill-props.ts'
import { Ready } from './Ready.tsx'

/** The trainer of the remount says the score; here it is kept. */
export function GrindDrill({ task: { seed }, done, onAnswer }: DrillProps<'grind'>) {
  const [text, setText] = useState('')
  const [fault, setFault] = useState<string>()
  const keep = () => {
    const { value, fault: wrong } = readNumber(text, '')
    const within = value !== undefined && value >= 0 && value <= 100
    setFault(wrong ?? (within ? undefined : 'Enter the score of the trainer, 0 to 100.'))
    if (within) onAnswer({ drill: 'grind', total: value })
  }
  return (
    <div className="grid gap-4">
      <p className="text-lg">
        Grind the computed mouth of seed <b className="figures">{seed}</b>, lesson “Everything”, and have it
        judged there.
      </p>
      <Link className="act justify-self-start" to="/remount/practise">
        To the trainer
      </Link>
      <div className="w-56">
        <NumberField label="Its score" unit="" text={text} onText={setText} fault={fault} />
      </div>
      <Ready done={done} words="Keep it" onReady={keep} />
    </div>
  )
}
