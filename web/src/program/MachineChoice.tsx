import type { MachineKind } from '@yentrik/core'
import { useState } from 'react'
import { SelectField } from '../parts/Choices.tsx'
import { useEquipment } from '../record/equipment.ts'
import { useMachineRuns } from './use-machine-runs.ts'

/** The machines of a kind that the lab has on its list, and the one to start: as chosen, else the first that is free. */
export function useMachineChoice(kind: MachineKind) {
  const cards = useEquipment(kind)
  const runs = useMachineRuns()
  const [chosen, choose] = useState('')
  const busy = runs.filter(({ stoppedAt }) => stoppedAt === null).map(({ machine }) => machine)
  const card =
    cards.find(({ name }) => name === chosen) ?? cards.find(({ name }) => !busy.includes(name)) ?? cards[0]
  return { cards, runs, choose, machine: card?.name ?? usualName[kind] } as const
}
const usualName: { readonly [K in MachineKind]: string } = {
  furnace: 'Furnace',
  bath: 'Bath',
  kiln: 'Ceramic furnace',
  sinter: 'Sintering furnace',
}

/** Which machine to start, where there are several. */
export function MachineSelect({
  label,
  choice: { cards, machine, choose },
}: {
  readonly label: string
  readonly choice: {
    readonly cards: readonly { readonly name: string }[]
    readonly machine: string
    readonly choose: (name: string) => void
  }
}) {
  if (cards.length < 2) return null
  return (
    <div className="w-60">
      <SelectField
        label={label}
        options={cards.map(({ name }) => [name, name] as const)}
        value={machine}
        onChoose={choose}
      />
    </div>
  )
}
