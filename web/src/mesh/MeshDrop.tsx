import {
  cm3FromMeshVolume,
  likelyMeshUnits,
  type MeshSize,
  type MeshTightness,
  type MeshUnitId,
  meshUnits,
} from '@yentrik/core'
import { proxy } from 'comlink'
import { Upload } from 'lucide-react'
import { lazy, Suspense, useEffect, useRef, useState } from 'react'
import type { Attempt } from '../parts/attempt.ts'
import { Pills } from '../parts/Choices.tsx'
import { Message, Waiting } from '../parts/Message.tsx'
import type { ReadMesh, SizedMesh } from './mesh.worker.ts'
import { brokenFile, meshWorker } from './mesh-worker.ts'

const MeshView = lazy(async () => ({ default: (await import('./MeshView.tsx')).MeshView }))

interface MeshDropProps {
  readonly unit: MeshUnitId | undefined
  /** The volume in cubes of the file's unit; undefined while there is none. */
  readonly onMesh: (volume: number | undefined) => void
  readonly onUnit: (unit: MeshUnitId) => void
}

/** A dropped mesh: read in a worker, with its tightness, and its unit to choose, looked at in 3D. */
export function MeshDrop({ unit, onMesh, onUnit }: MeshDropProps) {
  const [name, setName] = useState<string>()
  const [share, setShare] = useState<number>()
  const [sized, setSized] = useState<SizedMesh>()
  const [read, setRead] = useState<Attempt<ReadMesh>>()
  const stop = useRef<() => void>(undefined)
  useEffect(() => () => stop.current?.(), [])

  const take = async (file: File | undefined) => {
    if (!file) return
    stop.current?.()
    const worker = meshWorker()
    stop.current = worker.stop
    setName(file.name)
    setSized(undefined)
    setRead(undefined)
    setShare(0)
    onMesh(undefined)
    const first = (mesh: SizedMesh) => {
      setSized(mesh)
      onMesh(mesh.size.volume)
      const [likely, ...others] = likelyMeshUnits(largestSide(mesh.size))
      if (likely && others.length === 0) onUnit(likely)
    }
    const answer: Attempt<ReadMesh> = await worker
      .give((work) => work.read(file, proxy(setShare), proxy(first)))
      .catch(brokenFile)
    worker.stop()
    stop.current = undefined
    setShare(undefined)
    setRead(answer)
    // What broke off later was never looked through: its first volume is not trusted.
    if (answer.answer) return
    setSized(undefined)
    onMesh(undefined)
  }
  const cancel = () => {
    stop.current?.()
    stop.current = undefined
    setShare(undefined)
    setName(undefined)
    setSized(undefined)
    onMesh(undefined)
  }
  return (
    <section className="grid grid-cols-[minmax(0,1fr)] gap-3" aria-label="Mesh">
      <label
        className="border-base-300 hover:bg-base-200 has-focus-visible:outline-3 flex min-h-20 cursor-pointer items-center gap-3 rounded-2xl border-2 border-dashed px-4 py-3"
        onDragOver={(event) => event.preventDefault()}
        onDrop={(event) => {
          event.preventDefault()
          void take(event.dataTransfer.files[0])
        }}
      >
        <Upload aria-hidden className="size-7 shrink-0" strokeWidth={1.5} />
        <span className="line-clamp-2 min-w-0 break-words">
          {name ?? 'Drop an STL, PLY or OBJ here, or choose one'}
        </span>
        <input
          type="file"
          className="sr-only"
          aria-label="Mesh file"
          accept=".stl,.ply,.obj"
          onChange={(event) => {
            void take(event.target.files?.[0])
            event.target.value = ''
          }}
        />
      </label>
      {share !== undefined && (
        <div className="flex items-center gap-3">
          <progress
            className="progress progress-primary grow"
            value={share}
            max={1}
            aria-label="Reading the mesh"
          />
          <button type="button" className="small-act" onClick={cancel}>
            Stop
          </button>
        </div>
      )}
      {read?.refusal && <Message tone="error" words={read.refusal} />}
      {sized && (
        <>
          <Tightness {...sized} tightness={read?.answer?.tightness} />
          <Unit measure={sized.size} unit={unit} onUnit={onUnit} />
        </>
      )}
      {read?.answer && (
        <Suspense fallback={<Waiting />}>
          <MeshView corners={read.answer.corners} />
        </Suspense>
      )}
    </section>
  )
}

function Tightness({
  format,
  size: { triangles },
  tightness,
}: SizedMesh & { readonly tightness: MeshTightness | undefined }) {
  return (
    <div>
      <p className="text-sm opacity-80">
        {format}, {triangles.toLocaleString('en-GB')} triangles
      </p>
      {!tightness ? (
        <p role="status">Looking whether it is closed</p>
      ) : tightness.watertight ? (
        <Message tone="good">Closed all round</Message>
      ) : (
        <Message tone="warning">
          {tightness.openEdges > 0
            ? `Open along ${tightness.openEdges} edges: the volume is only as good as the missing part is flat.`
            : `${tightness.tangledEdges} edges are tangled: look at it before you trust the volume.`}
        </Message>
      )}
    </div>
  )
}

/** Mesh files carry no unit: what makes sense comes first, and more than one is asked about. */
function Unit({
  measure,
  unit,
  onUnit,
}: {
  measure: MeshSize
  unit?: MeshUnitId
  onUnit: (unit: MeshUnitId) => void
}) {
  const likely = likelyMeshUnits(largestSide(measure))
  const order = [...meshUnits].sort((a, b) => rank(a.id) - rank(b.id))
  function rank(id: MeshUnitId): number {
    return likely.includes(id) ? likely.indexOf(id) : 9
  }
  const size = measure.max.map((high, axis) => high - measure.min[axis]!)
  const chosen = meshUnits.find(({ id }) => id === unit)
  return (
    <div className="grid gap-1">
      <Pills<MeshUnitId | ''>
        label={likely.length === 1 ? 'Unit' : 'In which unit is it drawn?'}
        options={order.map(({ id, name }) => [id, name])}
        value={unit ?? ''}
        onChoose={(id) => id !== '' && onUnit(id)}
      />
      {chosen ? (
        <p className="figures text-sm">
          {size.map((side) => (side * chosen.millimetres).toFixed(1)).join(' x ')} mm,{' '}
          {cm3FromMeshVolume(measure.volume, chosen.id).toFixed(1)} cm3
        </p>
      ) : (
        <Message tone="warning">
          {likely.length === 0
            ? 'No unit makes this the size of dental work. Choose one if it is right all the same.'
            : 'It could be either: choose one.'}
        </Message>
      )}
    </div>
  )
}

function largestSide({ min, max }: MeshSize): number {
  return Math.max(...max.map((high, axis) => high - min[axis]!))
}
