import {
  type DataOfKind,
  heightsOfPieces,
  type SheetData,
  type StepSheet,
  type StonePieces,
  type SurveyedPlace,
} from '@yentrik/core'
import { armOf, gaugeOf, type PlaceDraft, type SurveyDraft } from './survey-draft.ts'
import type { SurveyState } from './use-survey.ts'

/** A number as a gauge is read. */
const read = (value: number) => Math.round(value * 100) / 100

/** What a survey leaves on record; undefined while it is not all there. */
export function recordOf({
  draft,
  state,
  sheet,
  pieces,
  surveyed,
  millilitres,
}: {
  readonly draft: SurveyDraft
  readonly state: SurveyState
  readonly sheet: StepSheet
  readonly pieces: StonePieces | undefined
  readonly surveyed: ReadonlyMap<number, SurveyedPlace>
  readonly millilitres: number | undefined
}): SheetData | undefined {
  const { scan, survey, counted } = state
  if (!scan || !survey?.full || !counted) return undefined
  const file = { name: scan.name.slice(0, 200), sha256: scan.opened.sha256, triangles: scan.opened.triangles }
  if (sheet.kind === 'sawPlan')
    return (
      pieces && {
        kind: 'sawPlan',
        heights: heightsOfPieces(pieces),
        survey: {
          file,
          pieces: pieces.pieces.map(({ name, out, flangeUndercutMillimetres }) => ({
            name,
            whole: out.whole,
            inwardsDegrees: read(out.offStraightDegrees),
            undercutMillimetres: read(flangeUndercutMillimetres),
          })),
        },
      }
    )
  if (sheet.kind !== 'survey') return undefined
  const places = draft.places.map((each) => placeEntry(each, surveyed.get(each.id)))
  if (places.some((each) => each === undefined)) return undefined
  return {
    kind: 'survey',
    by: 'scan',
    arch: draft.arch,
    file,
    tilt: draft.tilt,
    ...(survey.full.tripod ? { tripod: survey.full.tripod } : {}),
    floorMillimetres: read(counted.floorMillimetres),
    painted: counted.painted.length > 0,
    ...(millilitres === undefined ? {} : { blockOutMillilitres: read(millilitres) }),
    taperDegrees: Number(draft.taper),
    places: places.filter((each) => each !== undefined),
  }
}

function placeEntry(
  place: PlaceDraft,
  found: SurveyedPlace | undefined,
): DataOfKind<'survey'>['places'][number] | undefined {
  const gaugeMillimetres = gaugeOf(place)
  if (!found || gaugeMillimetres === undefined) return undefined
  const arm = armOf(place.arm)
  return {
    place: place.name,
    gaugeMillimetres,
    depthMillimetres: read(found.tip?.depthMillimetres ?? found.deepestMillimetres),
    ...(found.tip
      ? { levelMillimetres: read(found.levelMillimetres), downMillimetres: read(found.tip.downMillimetres) }
      : {}),
    ...(arm ? { arm } : {}),
  }
}
