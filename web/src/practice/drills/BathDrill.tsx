import { useState } from 'react'
import { duration } from '../../format/format.ts'
import type { DrillProps } from './drill-props.ts'
import { Ready, Slide } from './Ready.tsx'

const MINUTE = 60_000

/** A hold, and a boil behind it. */
export function BathDrill({ task: { ridgeMillimetres, minutesLeft }, done, onAnswer }: DrillProps<'bath'>) {
  const [celsius, setCelsius] = useState(70)
  const [holdMinutes, setHold] = useState(240)
  const [boilMinutes, setBoil] = useState(60)
  return (
    <div className="grid gap-4">
      <p className="text-lg">
        A base with a ridge of <b className="figures text-4xl">{ridgeMillimetres} mm</b>. It goes in now and
        must be out at <b>07:30</b>, in <b className="figures">{duration(minutesLeft * MINUTE)}</b>. As fast
        as is safe.
      </p>
      <Slide
        label="First hold"
        value={celsius}
        min={60}
        max={100}
        step={1}
        words={`${celsius} °C`}
        disabled={done}
        onValue={setCelsius}
      />
      <Slide
        label="Held for"
        value={holdMinutes}
        min={0}
        max={840}
        step={10}
        words={duration(holdMinutes * MINUTE)}
        disabled={done}
        onValue={setHold}
      />
      <Slide
        label="Then at the boil"
        value={boilMinutes}
        min={0}
        max={180}
        step={10}
        words={duration(boilMinutes * MINUTE)}
        disabled={done}
        onValue={setBoil}
      />
      <Ready done={done} onReady={() => onAnswer({ drill: 'bath', celsius, holdMinutes, boilMinutes })} />
    </div>
  )
}
