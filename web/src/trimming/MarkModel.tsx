import type { Point } from '@yentrik/core'
import { qty, type Saying, saying } from '@yentrik/core'
import { useState } from 'react'
import { brokenFile, meshWorker } from '../mesh/mesh-worker.ts'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'
import { CaliperHelp } from './CaliperHelp.tsx'
import { HEIGHT_KEY, MarkPlate, type ModelPicture, SCALE_KEY } from './MarkPlate.tsx'
import { PointTable } from './PointTable.tsx'
import { type ArchName, type LandmarkSpec, landmarkSpecs, type ModelDraft } from './trim-draft.ts'

interface MarkModelProps {
  readonly arch: ArchName
  readonly model: ModelDraft
  readonly onModel: (change: Partial<ModelDraft>) => void
  readonly picture?: ModelPicture
  readonly onPicture: (picture: ModelPicture) => void
}

/** Without a picture the points stand on a plate of this size, mm, the midline in its middle. */
const PLATE = { width: 100, height: 80 }

/** One model from above: a picture with its scale, the landmarks one after the other, the heights of its base. */
export function MarkModel({ arch, model, onModel, picture, onPicture }: MarkModelProps) {
  const specs = landmarkSpecs[arch]
  const wantsScale = picture !== undefined && model.millimetresPerPixel === undefined
  const [picked, setPicked] = useState<string>()
  const [scaleEnds, setScaleEnds] = useState<readonly Point[]>([])
  const [scaleText, setScaleText] = useDraft<string>('trim scale', () => '50')
  const [message, setMessage] = useState<Saying>()
  const open = specs.find(({ key, want }) => (model.points[key] ?? []).length < want)
  const current = wantsScale ? SCALE_KEY : (picked ?? open?.key ?? HEIGHT_KEY)
  const spec = specs.find(({ key }) => key === current)
  const perPixel = model.millimetresPerPixel ?? 1
  const view = picture
    ? { x: 0, y: 0, width: picture.width * perPixel, height: picture.height * perPixel }
    : { x: -PLATE.width / 2, y: -15, ...PLATE }

  const setPoints = (key: string, points: readonly Point[]) => {
    onModel({ points: { ...model.points, [key]: points } })
    const wanted = specs.find((each) => each.key === key)
    if (wanted && points.length === wanted.want && picked === key) setPicked(undefined)
  }
  const place = (at: Point) => {
    if (current === SCALE_KEY) return setScaleEnds((before) => [...before.slice(-1), at])
    if (current === HEIGHT_KEY) return onModel({ heights: [...model.heights, { at, text: '' }] })
    if (!spec) return
    const before = model.points[spec.key] ?? []
    setPoints(spec.key, spec.want === 1 ? [at] : [...before, at])
  }
  const setScale = () => {
    const { value, fault } = readNumber(scaleText, 'mm')
    const [a, b] = scaleEnds
    if (fault) return setMessage(fault)
    if (!a || !b || !value || !(value > 0))
      return setMessage('Mark both ends of a length that you know, and enter it.')
    setMessage(undefined)
    onModel({ millimetresPerPixel: value / Math.hypot(a.x - b.x, a.y - b.y) })
  }
  const takePicture = async (file: File | undefined) => {
    if (!file) return
    setMessage(undefined)
    if (/\.(stl|ply|obj)$/i.test(file.name)) {
      const worker = meshWorker()
      const { answer: seen, refusal } = await worker.give((work) => work.fromAbove(file)).catch(brokenFile)
      worker.stop()
      if (!seen) return setMessage(refusal)
      const canvas = document.createElement('canvas')
      canvas.width = seen.columns
      canvas.height = seen.rows
      canvas.getContext('2d')?.putImageData(new ImageData(seen.pixels, seen.columns, seen.rows), 0, 0)
      onPicture({ url: canvas.toDataURL(), width: seen.columns, height: seen.rows, name: file.name })
      // A mesh brings its scale along; that it is drawn in millimetres is said beside it.
      return onModel({ millimetresPerPixel: seen.cell })
    }
    const url = URL.createObjectURL(file)
    const image = new Image()
    image.onload = () => {
      onPicture({ url, width: image.naturalWidth, height: image.naturalHeight, name: file.name })
      setScaleEnds([])
      onModel({ millimetresPerPixel: undefined })
    }
    image.onerror = () =>
      setMessage(`${file.name} is no picture that can be shown. Use a PNG or JPEG, or a mesh.`)
    image.src = url
  }
  const heights = (
    <Heights
      model={model}
      onModel={onModel}
      current={current === HEIGHT_KEY}
      onPick={() => setPicked(HEIGHT_KEY)}
    />
  )
  return (
    <div className="grid min-h-0 grow gap-4 lg:grid-cols-[minmax(0,1fr)_24rem]">
      <section className="card-flat flex min-h-0 flex-col p-4" aria-label={`Marks on the ${arch} model`}>
        <p className="mb-2 min-h-14 text-lg">
          {wantsScale ? (
            <>
              <b>Scale:</b> mark both ends of a length that you know.
            </>
          ) : spec ? (
            <>
              <b>
                {spec.name}
                {spec.want > 1 && `, ${(model.points[spec.key] ?? []).length} of ${spec.want}`}:
              </b>{' '}
              {spec.how}
            </>
          ) : (
            <>
              <b>Height:</b> mark where the gauge stood, at three places or more, and enter what it read.
            </>
          )}
        </p>
        <MarkPlate
          view={view}
          picture={picture}
          model={model}
          specs={specs}
          current={current}
          scaleEnds={wantsScale ? scaleEnds : []}
          onPlace={place}
          onMove={(key, index, at) => {
            if (key === HEIGHT_KEY)
              onModel({ heights: model.heights.map((each, n) => (n === index ? { ...each, at } : each)) })
            else
              onModel({
                points: {
                  ...model.points,
                  [key]: (model.points[key] ?? []).map((p, n) => (n === index ? at : p)),
                },
              })
          }}
        />
      </section>
      <aside className="card-flat min-h-0 overflow-y-auto p-4">
        <label className="small-act has-focus-visible:outline-3 w-full cursor-pointer">
          {picture ? `Another picture than ${picture.name}` : 'Picture, scan or mesh from above'}
          <input
            type="file"
            className="sr-only"
            aria-label={`Picture of the ${arch} model`}
            accept="image/*,.stl,.ply,.obj"
            onChange={(event) => {
              void takePicture(event.target.files?.[0])
              event.target.value = ''
            }}
          />
        </label>
        {message && (
          <div className="mt-2">
            <Message tone="error" words={message} />
          </div>
        )}
        {wantsScale ? (
          <div className="mt-3 grid gap-2">
            <NumberField
              label="Length between the marks"
              unit="mm"
              text={scaleText}
              onText={setScaleText}
              hint="a ruler in the picture, or a caliper reading"
            />
            <button type="button" className="act-main" onClick={setScale} disabled={scaleEnds.length < 2}>
              Set the scale
            </button>
          </div>
        ) : (
          <>
            {picture && (
              <p className="mt-2 text-sm opacity-80">
                {(1 / perPixel).toFixed(1)} dots a millimetre.{' '}
                <button
                  type="button"
                  className="link"
                  onClick={() => onModel({ millimetresPerPixel: undefined })}
                >
                  Scale again
                </button>
              </p>
            )}
            {current === HEIGHT_KEY && heights}
            <LandmarkList
              specs={specs}
              model={model}
              current={current}
              onPick={setPicked}
              onTakeBack={(key) => setPoints(key, (model.points[key] ?? []).slice(0, -1))}
            />
            {current !== HEIGHT_KEY && heights}
            {spec && (
              <PointTable
                key={`${arch} ${spec.key}`}
                spec={spec}
                points={model.points[spec.key] ?? []}
                onPoints={(points) => setPoints(spec.key, points)}
              />
            )}
            <CaliperHelp />
          </>
        )}
      </aside>
    </div>
  )
}

function LandmarkList({
  specs,
  model,
  current,
  onPick,
  onTakeBack,
}: {
  specs: readonly LandmarkSpec[]
  model: ModelDraft
  current: string
  onPick: (key: string) => void
  onTakeBack: (key: string) => void
}) {
  return (
    <ol className="mt-3 grid gap-0.5">
      {specs.map(({ key, name, want, least }) => {
        const count = (model.points[key] ?? []).length
        return (
          <li key={key} className="flex items-center gap-1">
            <button
              type="button"
              aria-current={key === current || undefined}
              className={`flex min-h-11 grow items-center justify-between rounded-xl px-3 text-left ${key === current ? 'bg-primary text-primary-content font-semibold' : 'hover:bg-base-200'}`}
              onClick={() => onPick(key)}
            >
              {name}
              <span className="figures text-sm">
                {count >= want ? '✓' : ''} {count}
                {count < want && ` of ${want}${least === 0 ? ', may be left' : ''}`}
              </span>
            </button>
            {count > 0 && (
              <button
                type="button"
                className="small-act px-3"
                aria-label={`Take back the last of ${name}`}
                onClick={() => onTakeBack(key)}
              >
                Back
              </button>
            )}
          </li>
        )
      })}
    </ol>
  )
}

function Heights({
  model,
  onModel,
  current,
  onPick,
}: {
  model: ModelDraft
  onModel: MarkModelProps['onModel']
  current: boolean
  onPick: () => void
}) {
  return (
    <section className="border-base-300 mt-3 grid gap-1 border-t pt-2" aria-label="Heights">
      <button
        type="button"
        className={`min-h-11 rounded-xl px-3 text-left font-semibold ${current ? 'bg-primary text-primary-content' : 'hover:bg-base-200'}`}
        onClick={onPick}
      >
        Heights of the base, {model.heights.length} of 3
      </button>
      <div className="grid grid-cols-2 gap-x-3">
        {model.heights.map(({ text }, index) => (
          <NumberField
            key={index}
            label={`Height ${index + 1}`}
            unit="mm"
            text={text}
            onText={(next) =>
              onModel({
                heights: model.heights.map((each, n) => (n === index ? { ...each, text: next } : each)),
              })
            }
            fault={text === '' ? undefined : heightFault(text)}
          />
        ))}
      </div>
      {model.heights.length > 0 && (
        <button
          type="button"
          className="small-act justify-self-start"
          onClick={() => onModel({ heights: model.heights.slice(0, -1) })}
        >
          Take back the last
        </button>
      )}
      <NumberField
        label="Deepest anatomy under the occlusal plane"
        unit="mm"
        text={model.deepest}
        onText={(deepest) => onModel({ deepest })}
        fault={model.deepest === '' ? undefined : heightFault(model.deepest)}
        hint="palate or sulcus floor; may be left empty"
      />
    </section>
  )
}

function heightFault(text: string): Saying | undefined {
  const { value, fault } = readNumber(text, 'mm')
  return (
    fault ??
    (value !== undefined && !(value > 0 && value <= 120) ? saying`Enter 0 to ${qty.mm(120)}.` : undefined)
  )
}
