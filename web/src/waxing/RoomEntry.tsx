import {
  DomainError,
  qty,
  type RoomPlace,
  type RoomSite,
  type RoomVerdict,
  roomPlaces,
  roomRules,
  roomVerdict,
  type Saying,
  saying,
} from '@yentrik/core'
import { useState } from 'react'
import { refusalWords } from '../parts/attempt.ts'
import { useBenchUnit } from '../parts/bench-unit.ts'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberEntry } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { Said, useBareMillimetres } from '../preferences/words.tsx'
import type { SheetEntryProps } from '../record/sheet-entry.ts'
import { RoomDrawing } from './RoomDrawing.tsx'

interface Line {
  readonly name: string
  readonly place: RoomPlace
  readonly room: string
  readonly green: string
  readonly resin: string
}
const columns = [
  ['room', 'Room'],
  ['green', 'Green wax'],
  ['resin', 'Resin'],
] as const

/** What the layers leave of the room at each place, drawn as they lie on the die. */
export function RoomEntry({ sheet, last, draftKey, refusal, open, onRecord }: SheetEntryProps<'room'>) {
  const [lines, keep, forget] = useDraft<readonly Line[]>(draftKey, () =>
    last
      ? last.sites.map(typedSite)
      : sheet.suggested.map(({ name, place }) => ({ name, place, room: '', green: '', resin: '' })),
  )
  const [tried, setTried] = useState(false)
  const benchUnit = useBenchUnit()
  const left = useBareMillimetres(2)
  const judged = lines.map(judge)
  const filled = judged.filter(({ empty }) => !empty)
  const record = () => {
    setTried(true)
    const sites = filled.flatMap(({ site }) => (site ? [site] : []))
    if (sites.length > 0 && sites.length === filled.length)
      void onRecord({ kind: 'room', sites }).then((kept) => kept && forget())
  }
  const change = (index: number, to: Partial<Line>) =>
    keep(lines.map((each, n) => (n === index ? { ...each, ...to } : each)))
  const drawn = judged.flatMap(({ site, verdict }) => (site && verdict ? [{ site, verdict }] : []))
  return (
    <form
      className="grid grid-cols-[minmax(0,1fr)] gap-3"
      noValidate
      onSubmit={(event) => {
        event.preventDefault()
        if (open) record()
      }}
    >
      {drawn.length > 0 && <RoomDrawing sites={drawn} />}
      {drawn
        .filter(({ verdict }) => verdict.say !== '')
        .map(({ site, verdict }) => (
          <p key={site.name} className="text-error text-xl leading-tight font-bold">
            <Said words={verdict.say} />
          </p>
        ))}
      <table className="w-full">
        <thead>
          <tr className="text-left max-sm:text-sm">
            <th className="font-semibold">Where</th>
            {columns.map(([key, name]) => (
              <th key={key} className="font-semibold">
                {name}, {benchUnit('mm')}
              </th>
            ))}
            <th className="font-semibold">Left, {benchUnit('mm')}</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line, index) => {
            const { verdict, fault, empty } = judged[index]!
            return (
              <tr key={index} className="border-base-300 border-t">
                <td className="py-1 pr-2">
                  {index < sheet.suggested.length ? (
                    <span className="block text-lg leading-tight font-semibold">{line.name}</span>
                  ) : (
                    <>
                      <input
                        className="entry h-11"
                        aria-label={`Place ${index + 1}`}
                        value={line.name}
                        onChange={(event) => change(index, { name: event.target.value })}
                      />
                      <select
                        className="select bg-base-100 mt-1 h-11 w-full"
                        aria-label={`Kind of place ${index + 1}`}
                        value={line.place}
                        onChange={(event) => change(index, { place: event.target.value as RoomPlace })}
                      >
                        {roomPlaces.map((place) => (
                          <option key={place} value={place}>
                            {roomRules[place].name}
                          </option>
                        ))}
                      </select>
                    </>
                  )}
                  <span className="block text-sm opacity-80">
                    <Said
                      words={saying`wants ${qty.mm(roomRules[line.place].leastMillimetres)}, ${qty.mm(roomRules[line.place].anatomyMillimetres)} of it wax`}
                    />
                  </span>
                </td>
                {columns.map(([key, name]) => (
                  <td key={key} className="py-1 pr-1 sm:pr-2">
                    <NumberEntry
                      size="tallCell"
                      unit="mm"
                      name={`${name}, ${line.name}`}
                      text={line[key]}
                      onText={(text) => change(index, { [key]: text })}
                      wrong={tried && readNumber(line[key], 'mm', { wanted: false }).fault !== undefined}
                    />
                  </td>
                ))}
                <td className="py-1">
                  {verdict ? (
                    <output
                      aria-label={`Left at ${line.name}`}
                      className={`figures text-2xl leading-none font-bold sm:text-4xl ${verdict.verdict === 'enough' ? '' : 'text-error'}`}
                    >
                      {Number(left(verdict.outerMillimetres))}
                    </output>
                  ) : (
                    tried && !empty && <Message tone="error" words={fault ?? 'Enter all three.'} />
                  )}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      <div className="flex flex-wrap gap-2">
        <button
          type="button"
          className="small-act"
          onClick={() => keep([...lines, { name: '', place: 'axial', room: '', green: '', resin: '' }])}
        >
          Another place
        </button>
      </div>
      {tried && filled.length === 0 && <Message tone="error">Measure at one place or more.</Message>}
      {refusal && <Message tone="error" words={refusal} />}
      <button type="submit" className="act justify-self-start" disabled={!open}>
        Record
      </button>
    </form>
  )
}

function typedSite({ name, place, roomMillimetres, greenMillimetres, resinMillimetres }: RoomSite): Line {
  return {
    name,
    place,
    room: String(roomMillimetres),
    green: String(greenMillimetres),
    resin: String(resinMillimetres),
  }
}

interface Judged {
  readonly empty: boolean
  readonly site?: RoomSite
  readonly verdict?: RoomVerdict
  readonly fault?: Saying
}

function judge({ name, place, ...texts }: Line): Judged {
  if (columns.every(([key]) => texts[key].trim() === '')) return { empty: true }
  const read = columns.map(([key]) => readNumber(texts[key], 'mm'))
  const fault = read.find((each) => each.fault)?.fault
  if (fault) return { empty: false, fault }
  const [roomMillimetres, greenMillimetres, resinMillimetres] = read.map(
    ({ value }) => value ?? Number.NaN,
  ) as [number, number, number]
  const site = { name: name.trim(), place, roomMillimetres, greenMillimetres, resinMillimetres }
  try {
    return { empty: false, site, verdict: roomVerdict(site) }
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return { empty: false, fault: refusalWords(error) }
  }
}
