import { type MeshUnitId, meshUnits, type SurveyArch } from '@yentrik/core'
import { Upload } from 'lucide-react'
import archUrl from '../../../demo/arch.ply?url'
import ridgeUrl from '../../../demo/ridge.ply?url'
import { Pills } from '../parts/Choices.tsx'
import { Message } from '../parts/Message.tsx'
import type { OpenedScan } from './survey.worker.ts'
import type { SurveyState } from './use-survey.ts'

/** A scan to open: a file, or one of the two that come along to try it with. */
export function OpenScan({
  state,
  arch,
  onArch,
}: {
  readonly state: SurveyState
  readonly arch: SurveyArch
  readonly onArch: (arch: SurveyArch) => void
}) {
  const made = async (name: string, url: string) => {
    const answer = await fetch(url)
    await state.open(name, await answer.blob())
  }
  const { scan, lay, reading, refusal } = state
  return (
    <section className="card-flat mx-auto grid w-full max-w-2xl gap-4 p-5" aria-label="Open a scan">
      <Pills<SurveyArch>
        label="Which cast is it?"
        options={[
          ['upper', 'Upper'],
          ['lower', 'Lower'],
        ]}
        value={arch}
        onChoose={onArch}
      />
      <label
        className="border-base-300 hover:bg-base-200 has-focus-visible:outline-3 flex min-h-28 cursor-pointer items-center gap-4 rounded-2xl border-2 border-dashed px-5"
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          event.preventDefault()
          const file = event.dataTransfer.files[0]
          if (file) void state.open(file.name, file)
        }}
      >
        <Upload aria-hidden className="size-8 shrink-0" strokeWidth={1.5} />
        <span className="text-lg">
          {scan?.name ?? 'Drop the scan of the cast here, or choose it: STL, PLY or OBJ'}
        </span>
        <input
          type="file"
          className="sr-only"
          aria-label="Scan of the cast"
          accept=".stl,.ply,.obj"
          onChange={(event) => {
            const file = event.target.files?.[0]
            event.target.value = ''
            if (file) void state.open(file.name, file)
          }}
        />
      </label>
      {reading && (
        <p role="status" className="flex items-center gap-3">
          <progress className="progress progress-primary grow" aria-label="Reading the scan" />
          Reading the scan
          <button type="button" className="small-act" onClick={() => state.close()}>
            Stop
          </button>
        </p>
      )}
      {refusal && <Message tone="error" words={refusal} />}
      {scan && !lay && <AskUnit state={state} opened={scan.opened} />}
      {!scan && !reading && (
        <p className="flex flex-wrap items-center gap-3">
          Try it with an example:
          <button type="button" className="small-act" onClick={() => void made('made arch.ply', archUrl)}>
            a made arch
          </button>
          <button type="button" className="small-act" onClick={() => void made('made ridge.ply', ridgeUrl)}>
            a made ridge
          </button>
        </p>
      )}
      <p className="opacity-80">
        Without a scan: read the gauge at each place, and enter it in the step itself.
      </p>
    </section>
  )
}

/** Scans carry no unit: where several make sense, or none, it is asked. */
function AskUnit({ state, opened }: { readonly state: SurveyState; readonly opened: OpenedScan }) {
  const sizes = meshUnits.map(({ id, name, millimetres }) => ({ id, name, wide: opened.size * millimetres }))
  return (
    <div className="grid gap-2">
      {opened.unit.refusal && <Message tone="warning" words={opened.unit.refusal} />}
      <Pills<MeshUnitId | ''>
        label="Unit of the file"
        options={sizes.map(({ id, name, wide }) => [id, `${name}: ${wide.toPrecision(3)} mm wide`])}
        value=""
        onChoose={(unit) => unit !== '' && void state.layScan({ unit, turnedOver: false, keepStray: false })}
      />
    </div>
  )
}
