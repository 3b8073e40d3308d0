import type { CeramicClass } from '@yentrik/core'
import { ceramicFigures } from '@yentrik/core'
import { type ReactNode, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { type Options, Pills } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import type { ForCase } from '../record/IntoRecord.tsx'
import { useOpenCase } from '../record/open-case.ts'
import { FurnacePanel } from './FurnacePanel.tsx'
import { PlanPanel } from './PlanPanel.tsx'
import { PotsPanel } from './PotsPanel.tsx'
import { emptyFire, type FireDraft } from './plan-draft.ts'
import { ReadPanel } from './ReadPanel.tsx'
import { TabsPanel } from './TabsPanel.tsx'

const inSentence = (name: string) => name.charAt(0).toLowerCase() + name.slice(1)

type View = 'plan' | 'furnace' | 'read' | 'pots'
const views: Options<View> = [
  ['plan', 'Stains'],
  ['furnace', 'Furnace'],
  ['read', 'Colour'],
  ['pots', 'Pots, tabs'],
]

/** Stains for a colour, firings, and what the furnace did. On its own, or for a case. */
export function FireScreen() {
  const [query] = useSearchParams()
  const caseId = query.get('case')
  const view = views.find(([each]) => each === query.get('view'))?.[0] ?? 'plan'
  return caseId ? <FireForCase caseId={caseId} view={view} /> : <Fire kept="fire" view={view} teeth={[]} />
}

function FireForCase({ caseId, view }: { caseId: string; view: View }) {
  const [query] = useSearchParams()
  const openCase = useOpenCase(caseId)
  if (!openCase.state)
    return openCase.error ? <Message tone="error" words={openCase.error.said} /> : <Waiting />
  const job = openCase.state.jobs.find(({ jobId }) => jobId === query.get('job')) ?? openCase.state.jobs[0]!
  const ceramic = job.route.choices.ceramic as CeramicClass | undefined
  return (
    <Fire
      kept={`fire ${caseId} ${job.jobId}`}
      view={view}
      teeth={openCase.state.authorisation.teeth}
      forCase={{ openCase, caseId, job }}
      title={
        <>
          <Link to={`/case/${caseId}`} className="link font-semibold">
            {openCase.state.docket}
          </Link>{' '}
          · {job.route.name.toLowerCase()}
          {ceramic && `, ${inSentence(ceramicFigures[ceramic].name)}`}
        </>
      }
    />
  )
}

function Fire({
  kept,
  view: startView,
  teeth,
  forCase,
  title,
}: {
  /** Under what the entries of this session are kept. */
  readonly kept: string
  readonly view: View
  readonly teeth: readonly number[]
  readonly forCase?: ForCase
  readonly title?: ReactNode
}) {
  const [view, setView] = useState<View>(startView)
  const [draft, setDraft] = useDraft<FireDraft>(kept, () => ({
    ...emptyFire,
    firings: forCase?.job.route.choices.firings === 'one' ? 'one' : 'two',
  }))
  const [tooth, setTooth] = useState(teeth[0] === undefined ? '' : String(teeth[0]))
  return (
    <main className="mx-auto grid max-w-[1500px] gap-3 p-4 sm:p-5">
      <header className="flex flex-wrap items-end gap-x-5 gap-y-2">
        <h1 className="text-3xl font-bold">Fire</h1>
        {title && <p>{title}</p>}
        <div className="ml-auto">
          <Pills label="Work out" options={views} value={view} onChoose={setView} />
        </div>
      </header>
      {view === 'plan' && (
        <PlanPanel
          draft={draft}
          onDraft={setDraft}
          teeth={teeth}
          tooth={tooth}
          onTooth={setTooth}
          forCase={forCase}
        />
      )}
      {view === 'furnace' && <FurnacePanel forCase={forCase} />}
      {view === 'read' && <ReadPanel forCase={forCase} />}
      {view === 'pots' && (
        <>
          <PotsPanel />
          <TabsPanel />
        </>
      )}
    </main>
  )
}
