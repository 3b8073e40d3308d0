import {
  type Bite,
  isFrontTooth,
  type PaperMark,
  parseMarkLine,
  parseTeeth,
  regionName,
  type ToothRegion,
  toothRegions,
} from '@yentrik/core'
import { useState } from 'react'
import { attempt } from '../parts/attempt.ts'
import { type Options, SelectField } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import { TextField } from '../parts/TextField.tsx'
import { usePreferences } from '../preferences/preferences.ts'

const frontRegions = 3
/** The regions of a front or a back tooth, by name. */
const regionsOf = (tooth: number): Options<ToothRegion> =>
  toothRegions
    .filter((_, index) => index >= toothRegions.length - frontRegions === isFrontTooth(tooth))
    .map((region) => [region, regionName(region, tooth)])

/** A mark without touching the drawing: in one line of keys, or by its tooth and region. */
export function MarkByKeys({ bite, strength, onMark }: MarkByKeysProps) {
  return (
    <div className="grid gap-4">
      <MarkLine bite={bite} strength={strength} onMark={onMark} />
      <MarkByChoice bite={bite} strength={strength} onMark={onMark} />
    </div>
  )
}

interface MarkByKeysProps {
  readonly bite: Bite
  readonly strength: PaperMark['strength']
  readonly onMark: (mark: PaperMark) => void
}

function MarkLine({ bite, strength, onMark }: MarkByKeysProps) {
  const notation = usePreferences((preferences) => preferences.teeth)
  const [line, setLine] = useState('')
  const [tried, setTried] = useState(false)
  const { answer, refusal } = attempt(() => parseMarkLine(line, notation, { bite, strength }))
  return (
    <form
      noValidate
      className="grid grid-cols-[minmax(0,1fr)_auto] items-start gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        setTried(true)
        if (!answer) return
        onMark(answer)
        setLine('')
        setTried(false)
      }}
    >
      <TextField
        label="Marks, a line each"
        text={line}
        onText={setLine}
        fault={tried ? refusal : undefined}
        hint={
          answer
            ? `${regionName(answer.region, answer.tooth)}, ${answer.bite}, ${answer.strength}`
            : 'as in: 16 pal in ri he. Tooth, region, movement, strength; two letters of each'
        }
      />
      <button type="submit" className="small-act mt-7 h-12">
        Add <kbd className="key">enter</kbd>
      </button>
    </form>
  )
}

function MarkByChoice({ bite, strength, onMark }: MarkByKeysProps) {
  const notation = usePreferences((preferences) => preferences.teeth)
  const [tooth, setTooth] = useState('')
  const [region, setRegion] = useState<ToothRegion | ''>('')
  const [tried, setTried] = useState(false)
  const { answer: [number] = [], refusal } = attempt(() => parseTeeth(tooth, notation))
  const options = number ? regionsOf(number) : []
  const chosen = options.some(([each]) => each === region) ? region : (options[0]?.[0] ?? '')
  return (
    <form
      noValidate
      className="grid grid-cols-[6rem_minmax(0,1fr)_auto] items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault()
        setTried(true)
        if (!number || chosen === '') return
        onMark({ tooth: number, region: chosen, bite, strength })
        setTooth('')
        setTried(false)
      }}
    >
      <TextField label="Tooth" text={tooth} onText={setTooth} />
      <SelectField<ToothRegion | ''>
        label="Region"
        options={options.length > 0 ? options : [['', 'first the tooth']]}
        value={chosen}
        onChoose={setRegion}
      />
      <button type="submit" className="small-act h-12">
        Add the mark
      </button>
      {tried && refusal && (
        <div className="col-span-3">
          <Message tone="error" words={refusal} />
        </div>
      )}
    </form>
  )
}
