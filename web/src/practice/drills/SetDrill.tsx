import { LATERAL_HIGHER_MILLIMETRES, setWays, showTooth } from '@yentrik/core'
import { useState } from 'react'
import { Pills } from '../../parts/Choices.tsx'
import { usePreferences } from '../../preferences/preferences.ts'
import type { DrillProps } from './drill-props.ts'
import { Ready } from './Ready.tsx'

type Way = keyof typeof setWays
const ways = Object.entries(setWays) as readonly [Way, string][]

/** A table of a measured set-up, and what was prescribed. */
export function SetDrill({ task: { prescribed, measured }, done, onAnswer }: DrillProps<'set'>) {
  const notation = usePreferences((preferences) => preferences.teeth)
  const [tooth, setTooth] = useState<string>(measured[0]!.tooth)
  const [way, setWay] = useState<Way>('low')
  return (
    <div className="grid gap-4">
      <p className="text-lg">
        Prescribed: edges <b className="figures">{prescribed.levelMillimetres.toFixed(1)} mm</b> below the rim
        (the laterals {LATERAL_HIGHER_MILLIMETRES} higher),{' '}
        <b className="figures">{prescribed.fullnessMillimetres.toFixed(1)} mm</b> before the ridge.
      </p>
      <table className="figures w-full max-w-xl text-lg">
        <thead>
          <tr className="text-left">
            <th>Tooth</th>
            <th>below the rim, mm</th>
            <th>before the ridge, mm</th>
          </tr>
        </thead>
        <tbody>
          {measured.map((each) => (
            <tr key={each.tooth} className="border-base-300 border-t">
              <td className="py-1 font-bold">{showTooth(Number(each.tooth), notation)}</td>
              <td>{each.levelMillimetres.toFixed(1)}</td>
              <td>{each.fullnessMillimetres.toFixed(1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <Pills
        label="Which is off"
        options={measured.map((each) => [each.tooth, showTooth(Number(each.tooth), notation)] as const)}
        value={tooth}
        onChoose={setTooth}
      />
      <Pills label="Which way" options={ways} value={way} onChoose={setWay} />
      <Ready done={done} onReady={() => onAnswer({ drill: 'set', tooth: tooth as '11', way })} />
    </div>
  )
}
