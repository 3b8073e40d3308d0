import type { BestTilt, MeshUnitId, TableTilt, TiltAim, Vector } from '@yentrik/core'
import { proxy } from 'comlink'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Attempt } from '../parts/attempt.ts'
import { useWorker } from '../worker/use-worker.ts'
import { startWorker, type WorkerThread } from '../worker/worker.ts'
import type { LaidScan, OpenedScan, PlaceAsked, ScanLay, SurveyShown, SurveyWork } from './survey.worker.ts'

const start = () =>
  startWorker<SurveyWork>(
    () => new Worker(new URL('./survey.worker.ts', import.meta.url), { type: 'module' }),
  )

const broken = { refusal: 'The survey was broken off. Open the scan again, or a coarser one.' } as const

/** What a brush covers, mm. */
export const BRUSH_MILLIMETRES = 2.5

/** What counts of the cast. */
export interface Counted {
  readonly floorMillimetres: number
  readonly painted: readonly Vector[]
  readonly gum: readonly Vector[]
}

/**
 * One scan in a worker thread: opened, laid, and surveyed again whenever the table or what counts is changed. The page never waits
 * for it; leaving the screen ends it.
 */
export function useSurvey(tilt: TableTilt) {
  const thread = useRef<WorkerThread<SurveyWork>>(undefined)
  const [scan, setScan] = useState<{ readonly name: string; readonly opened: OpenedScan }>()
  const [laid, setLaid] = useState<LaidScan>()
  const [lay, setLayState] = useState<ScanLay>()
  const [counts, setCounts] = useState<Float32Array>()
  const [counted, setCountedState] = useState<Counted>()
  /** Counts what was laid and counted: another number, another survey. */
  const [version, setVersion] = useState(0)
  const [reading, setReading] = useState(false)
  const [refusal, setRefusal] = useState<Attempt<unknown>['refusal']>()
  const [moving, setMoving] = useState(false)
  const [search, setSearch] = useState<{ readonly aim: TiltAim; readonly tried: number }>()
  const file = useRef<Blob>(undefined)
  const searcher = useRef<WorkerThread<SurveyWork>>(undefined)
  useEffect(
    () => () => {
      thread.current?.stop()
      searcher.current?.stop()
    },
    [],
  )

  const give = useCallback(
    <A>(work: Parameters<WorkerThread<SurveyWork>['give']>[0]) =>
      (thread.current?.give(work) ?? Promise.reject(new Error('no thread'))).catch(() => broken) as Promise<
        Attempt<A>
      >,
    [],
  )
  const count = useCallback(
    async (next: Counted) => {
      setCountedState(next)
      const answer = await give<Float32Array>((work) =>
        work.count(next.floorMillimetres, next.painted, next.gum, BRUSH_MILLIMETRES),
      )
      setRefusal(answer.refusal)
      if (!answer.answer) return
      setCounts(answer.answer)
      setVersion((before) => before + 1)
    },
    [give],
  )
  const layScan = useCallback(
    async (next: ScanLay) => {
      setLayState(next)
      setReading(true)
      const answer = await give<LaidScan>((work) => work.lay(next))
      setReading(false)
      setRefusal(answer.refusal)
      if (!answer.answer) return
      setLaid(answer.answer)
      await count({ floorMillimetres: answer.answer.floorMillimetres, painted: [], gum: [] })
    },
    [give, count],
  )
  const open = useCallback(
    async (name: string, blob: Blob) => {
      thread.current?.stop()
      thread.current = start()
      file.current = blob
      setScan(undefined)
      setLaid(undefined)
      setLayState(undefined)
      setCountedState(undefined)
      setRefusal(undefined)
      setSearch(undefined)
      setReading(true)
      const answer = await give<OpenedScan>((work) => work.open(blob))
      setReading(false)
      setRefusal(answer.refusal)
      if (!answer.answer) return
      setScan({ name, opened: answer.answer })
      // One unit alone makes it the size of dental work: taken and shown. Several or none: asked.
      const unit = answer.answer.unit.answer
      if (unit) await layScan({ unit, turnedOver: false, keepStray: false })
    },
    [give, layScan],
  )
  const stopSearch = useCallback(() => {
    searcher.current?.stop()
    searcher.current = undefined
    setSearch(undefined)
  }, [])
  /** Another scan: what was opened is let go. */
  const close = useCallback(() => {
    thread.current?.stop()
    stopSearch()
    setReading(false)
    setScan(undefined)
    setLaid(undefined)
    setLayState(undefined)
    setCountedState(undefined)
    setVersion(0)
  }, [stopSearch])
  const survey = useWorker<{ tilt: TableTilt; moving: boolean; version: number }, SurveyShown>(
    version === 0 || !laid ? undefined : { tilt, moving, version },
    ({ tilt, moving }) => give((work) => (moving ? work.drag(tilt) : work.along(tilt))),
  )
  /**
   * The best tilt, in a thread of its own: the table can be looked at meanwhile, and stopping it loses nothing.
   */
  const best = useCallback(
    async (aim: TiltAim, places: readonly PlaceAsked[]): Promise<Attempt<BestTilt> | undefined> => {
      const { current: blob } = file
      if (!blob || !lay || !counted) return undefined
      searcher.current?.stop()
      const thread = start()
      searcher.current = thread
      setSearch({ aim, tried: 0 })
      const answer = await thread
        .give(async (work): Promise<Attempt<BestTilt>> => {
          const opened = await work.open(blob)
          const laid = opened.answer && (await work.lay(lay))
          const ready =
            laid?.answer &&
            (await work.count(counted.floorMillimetres, counted.painted, counted.gum, BRUSH_MILLIMETRES))
          if (!ready?.answer) return broken
          return work.best(
            aim,
            tilt,
            places,
            proxy((tried: number) => setSearch((now) => now && { aim, tried })),
          )
        })
        .catch((): Attempt<BestTilt> => broken)
      thread.stop()
      // Another search has begun, or this one was stopped.
      if (searcher.current !== thread) return undefined
      searcher.current = undefined
      setSearch(undefined)
      return answer
    },
    [tilt, lay, counted],
  )
  return {
    scan,
    laid,
    lay,
    counted,
    /** Per corner that is drawn, 1 where it counts. */
    counts,
    version,
    reading,
    refusal: refusal ?? survey?.refusal,
    moving,
    survey: survey?.answer,
    search,
    open,
    close,
    layScan,
    count,
    setMoving,
    best,
    stopSearch,
    give,
    /** The unit that nobody has said yet. */
    unitAsked: scan !== undefined && lay === undefined,
  }
}
export type SurveyState = ReturnType<typeof useSurvey>
export type { MeshUnitId }
