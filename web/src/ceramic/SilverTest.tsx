import { qty, saying, silverOffset } from '@yentrik/core'
import { quantity } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { freshen } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { attempt } from '../parts/attempt.ts'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { usePreferences } from '../preferences/preferences.ts'
import { Said } from '../preferences/words.tsx'
import { useEquipment } from '../record/equipment.ts'
import { useReadsTooMuch } from './use-reads-too-much.ts'

/** Silver wire melts at a known heat: what the furnace shows then says how wrong it reads, and programs are set for it. */
export function SilverTest({ machine }: { machine: string }) {
  const now = useNow()
  const units = usePreferences((preferences) => preferences.units)
  const kiln = useEquipment('kiln').find(({ name }) => name === machine)
  const [typed, setTyped, , begin] = useDraft<string>(`silver ${machine}`, () => '')
  const { refusal, refuse, run } = useRequest()
  const read = readNumber(typed, '°C')
  const offset = useReadsTooMuch(machine)
  const keep = () => {
    if (read.value === undefined) return refuse(read.fault)
    const shown = read.value
    const fault = attempt(() => silverOffset(shown)).refusal
    if (fault) return refuse(fault)
    return run(async () => {
      const { name: _name, ...rest } = kiln ?? {
        kind: 'kiln' as const,
        name: machine,
        timeConstantMinutes: 15,
        mostUnits: 6,
        source: 'measured here',
      }
      const body = {
        ...rest,
        silverShownCelsius: shown,
        silverTestedOn: new Date(now).toISOString().slice(0, 10),
      }
      await request('PUT /equipment/:name', { path: { name: machine }, body })
      await freshen('GET /equipment')
      begin()
    })
  }
  return (
    <details open={offset === undefined}>
      <summary className="min-h-11 cursor-pointer font-semibold">
        {offset === undefined
          ? 'Silver test: never made'
          : `Silver test: reads ${quantity(Math.abs(Math.round(offset)), 'celsiusApart', units)} too ${offset < 0 ? 'low' : 'high'}, used`}
      </summary>
      <p className="mb-2 text-sm opacity-80">
        <Said
          words={saying`A coil of silver wire melts at ${qty.celsius(961.8)}. What does the furnace show then?`}
        />
        {kiln?.silverTestedOn && ` Last test ${kiln.silverTestedOn}.`}
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <div className="w-44">
          <NumberField label="It showed" unit="°C" text={typed} onText={setTyped} />
        </div>
        <button type="button" className="small-act mb-8" onClick={() => void keep()}>
          Keep it
        </button>
      </div>
      {refusal && <Message tone="error" words={refusal} />}
    </details>
  )
}
