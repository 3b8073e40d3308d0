import { showTooth } from '@yentrik/core'
import { useParams } from 'react-router'
import { useAnswer } from '../live/queries.ts'
import { usePreferences } from '../preferences/preferences.ts'
import { useStoredCase } from '../record/open-case.ts'

/** What a paper of a case says at its head: the case as it is on record, the lab, the teeth as the bench writes them. */
export function usePaperCase() {
  const { caseId = '' } = useParams()
  const stored = useStoredCase(caseId)
  const { data: lab } = useAnswer('GET /lab')
  const notation = usePreferences((preferences) => preferences.teeth)
  const teeth = stored.state?.authorisation.teeth.map((tooth) => showTooth(tooth, notation)).join(', ') ?? ''
  return { caseId, ...stored, lab, teeth }
}
