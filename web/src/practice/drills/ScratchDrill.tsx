import { scratchWords } from '@yentrik/core'
import { useState } from 'react'
import { Pills } from '../../parts/Choices.tsx'
import { NumberField } from '../../parts/NumberField.tsx'
import { readNumber } from '../../parts/read-number.ts'
import type { DrillProps } from './drill-props.ts'
import { Ready } from './Ready.tsx'

/** A scratch seen at a stage: how far back, and what it costs. */
export function ScratchDrill({ task: { stages, seenAt, word }, done, onAnswer }: DrillProps<'scratch'>) {
  const [stage, setStage] = useState('0')
  const [text, setText] = useState('')
  const [fault, setFault] = useState<string>()
  const ready = () => {
    const { value, fault: wrong } = readNumber(text, 'min')
    setFault(wrong)
    if (value !== undefined) onAnswer({ drill: 'scratch', stage: Number(stage), minutes: value })
  }
  return (
    <div className="grid gap-4">
      <p className="text-xl">
        At <b>{stages[seenAt]!.toLowerCase()}</b>, all over the outside of an upper, you see a scratch:{' '}
        <b>{scratchWords[word].says}</b>.
      </p>
      <Pills
        label="Back to"
        options={stages.slice(0, seenAt + 1).map((name, n) => [String(n), name] as const)}
        value={stage}
        onChoose={setStage}
      />
      <div className="w-72">
        <NumberField
          label="What that costs, with the changes of wheel"
          unit="min"
          text={text}
          onText={setText}
          fault={fault}
        />
      </div>
      <Ready done={done} onReady={ready} />
    </div>
  )
}
