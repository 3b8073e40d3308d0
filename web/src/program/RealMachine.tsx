import type { MachineRunShown } from '@yentrik/contract'
import { Message } from '../parts/Message.tsx'

/** What is different where a real machine runs the program: who sets it, and that its thermometer may fall silent. */
export function RealMachine({
  run: { standIn, stoppedAt, fault, measured },
}: {
  readonly run: MachineRunShown
}) {
  if (standIn || stoppedAt) return null
  return (
    <>
      {fault ? (
        <Message tone="error">{`${fault} Look at the machine, and write down what you read.`}</Message>
      ) : (
        measured.length === 0 && <p role="status">Waiting for its thermometer.</p>
      )}
      <p className="text-sm opacity-80">
        Set the program on the machine itself; here its thermometer is read.
      </p>
    </>
  )
}
