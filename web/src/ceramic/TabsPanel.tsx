import {
  type Lab,
  labWords,
  metamerism,
  type NamedReading,
  qty,
  readingRows,
  readReadings,
  saying,
  verdictOf,
} from '@yentrik/core'
import Papa from 'papaparse'
import { useState } from 'react'
import { freshen } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { attempt } from '../parts/attempt.ts'
import { SelectField } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { FileButton } from '../parts/FileButton.tsx'
import { Message } from '../parts/Message.tsx'
import { TextField } from '../parts/TextField.tsx'
import { Said } from '../preferences/words.tsx'
import { useEquipment } from '../record/equipment.ts'
import { download } from '../table/csv.ts'
import { ColourHead, ColourRow } from './ColourRow.tsx'
import { type ColourText, colourText, noColour, readColour } from './plan-draft.ts'
import { Swatches } from './Swatches.tsx'
import { useSpectrophotometer } from './spectrophotometer.tsx'
import { verdictWords } from './verdict-words.tsx'

/** The tabs of the lab, each measured once under its own name; readings come in and go out as a table. */
export function TabsPanel() {
  const tabs = useEquipment('tab')
  const heard = useSpectrophotometer()
  const [typed, keep] = useDraft<{ readonly name: string; readonly colour: ColourText }>('fire tab', () => ({
    name: '',
    colour: noColour,
  }))
  const [file, setFile] = useState<readonly NamedReading[]>([])
  const { refusal, refuse, run } = useRequest()
  const colour = readColour(typed.colour)
  const store = (name: string, { L, a, b }: Lab) =>
    request('PUT /equipment/:name', {
      path: { name },
      body: { kind: 'tab', L, a, b, source: 'measured here' },
    })
  const one = () => {
    if (typed.name.trim() === '') return refuse('Give the tab the name that the lab calls it by.')
    if (!colour) return refuse('Enter L*, a* and b*, or read it.')
    return run(async () => {
      await store(typed.name.trim(), colour)
      await freshen('GET /equipment')
      keep({ name: '', colour: noColour })
    })
  }
  const take = async (chosen: File) => {
    refuse(undefined)
    const { data } = Papa.parse<string[]>((await chosen.text()).replace(/^\uFEFF/, ''))
    const read = attempt(() => readReadings(data))
    if (read.answer) setFile(read.answer)
    else refuse(read.refusal)
  }
  const all = () =>
    run(async () => {
      for (const each of file) await store(each.name, each.colour)
      await freshen('GET /equipment')
      setFile([])
    })
  return (
    <section className="card-flat grid content-start gap-3 p-4" aria-label="Tabs of the lab">
      <h2 className="text-xl font-semibold">Tabs of the lab</h2>
      <ul className="grid gap-x-6 gap-y-2 sm:grid-cols-2 xl:grid-cols-3">
        {tabs.map(({ name, ...tab }) => (
          <li key={name} className="grid grid-cols-[3.5rem_minmax(0,1fr)] items-center gap-3">
            <div className="rounded-lg bg-[#a6a6a6] p-1.5">
              <Swatches className="h-7" colours={[[name, tab]]} />
            </div>
            <span>
              <b>{name}</b> <span className="figures text-sm opacity-80">{labWords(tab)}</span>
            </span>
          </li>
        ))}
      </ul>
      {tabs.length === 0 && <p>None yet: measure each once, and it can be chosen as a target.</p>}
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-56">
          <TextField
            label="Another tab"
            text={typed.name}
            onText={(name) => keep((before) => ({ ...before, name }))}
          />
        </div>
        <div className="grid grow gap-1">
          <ColourHead />
          <ColourRow
            label="Colour"
            colour={typed.colour}
            onColour={(next) => keep((before) => ({ ...before, colour: next }))}
            onRead={
              heard.there
                ? () =>
                    void heard
                      .read()
                      .then(
                        (read) => read && keep((before) => ({ ...before, colour: colourText(read.colour) })),
                      )
                : undefined
            }
          />
        </div>
        <button type="button" className="act" onClick={() => void one()}>
          Keep this tab
        </button>
      </div>
      <div className="flex flex-wrap gap-2">
        <FileButton accept=".csv,text/csv" onFile={(chosen) => void take(chosen)}>
          Readings from CSV
        </FileButton>
        {tabs.length > 0 && (
          <button
            type="button"
            className="small-act"
            onClick={() =>
              download(
                'tabs.csv',
                Papa.unparse(
                  readingRows(tabs.map(({ name, ...tab }) => ({ name, colour: tab }))) as string[][],
                  {
                    escapeFormulae: true,
                  },
                ),
              )
            }
          >
            CSV
          </button>
        )}
      </div>
      <p className="text-sm opacity-80">
        A table with name, L*, a*, b* (D65, 2 degrees); or name and the reflectance at 380 nm to 780 nm by 10
        nm, 0 to 1 or with % in the heads.
      </p>
      {refusal && <Message tone="error" words={refusal} />}
      {heard.refusal && <Message tone="error" words={heard.refusal} />}
      {file.length > 0 && (
        <section className="border-base-300 grid gap-2 border-t pt-3" aria-label="In the file">
          <ul className="grid gap-1">
            {file.map(({ name, colour: read, curve }) => (
              <li key={name}>
                <b>{name}</b> {labWords(read)}
                {curve ? ', with its curve' : ''}
              </li>
            ))}
          </ul>
          <Curves readings={file} />
          <div className="flex gap-2">
            <button type="button" className="act" onClick={() => void all()}>
              {file.length === 1 ? 'Keep it as a tab' : `Keep all ${file.length} as tabs`}
            </button>
            <button type="button" className="small-act self-center" onClick={() => setFile([])}>
              Leave it
            </button>
          </div>
        </section>
      )}
    </section>
  )
}

/** Two curves of a file under daylight and under a lamp. */
function Curves({ readings }: { readonly readings: readonly NamedReading[] }) {
  const curved = readings.filter(({ curve }) => curve)
  const [one, setOne] = useState('')
  const [other, setOther] = useState('')
  if (curved.length < 2) return null
  const of = (name: string, usual: number) => curved.find((each) => each.name === name) ?? curved[usual]!
  const [target, sample] = [of(one, 0), of(other, 1)]
  const found = metamerism(target.curve!, sample.curve!)
  const options = curved.map(({ name }) => [name, name] as const)
  return (
    <div className="grid gap-2">
      <div className="flex flex-wrap gap-3">
        <div className="w-48">
          <SelectField label="Target" options={options} value={target.name} onChoose={setOne} />
        </div>
        <div className="w-48">
          <SelectField label="Beside it" options={options} value={sample.name} onChoose={setOther} />
        </div>
      </div>
      <p>
        <Said
          words={saying`In daylight ${qty.count(found.daylight, 2)}, ${verdictWords[verdictOf(found.daylight)]}; under a lamp ${qty.count(found.lamp, 2)}, ${verdictWords[verdictOf(found.lamp)]}. With the daylight difference taken out ${qty.count(found.index, 2)} is left under the lamp (special index, CIE 15, recalled).`}
        />
      </p>
    </div>
  )
}
