import { qty, type Saying, saying, toDegrees, toRadians } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import {
  buccalLine,
  type FramedArch,
  frameLower,
  frameUpper,
  type LowerLandmarks,
  otherSide,
  type PerSide,
  type Side,
  seenFrom,
  sides,
  type UpperLandmarks,
} from './landmarks.ts'
import { along, type CutLine, dot, meet, minus, type Point } from './plane-geometry.ts'
import { checkTrimChoices, heelRange, type TrimChoices, usualTrimChoices } from './trim-choices.ts'

interface TrimWarning {
  readonly code:
    | 'front-steep'
    | 'heel-short'
    | 'behind-back'
    | 'corner-ahead-of-canine'
    | 'unusual-angle'
    | 'weak-choice'
  readonly sentence: Saying
}

/** One heel in its half-plane. */
export interface Heel {
  readonly line: CutLine
  readonly lengthMillimetres: number
  readonly longestMillimetres: number
  readonly betaDegrees: number
  readonly gammaDegrees: number
  readonly atBack: Point
  readonly atSide: Point
}

/** Everything in a half-plane, x outwards; both sides of the base are the same by construction. */
export interface TrimPlan {
  readonly arch: 'upper' | 'lower'
  readonly framed: FramedArch
  readonly better: Side
  readonly either: boolean
  readonly tauDegrees: number
  /** Between side and back, inside. */
  readonly sideAngleDegrees: number
  readonly sideLine: CutLine
  /** How far the side moves out on both sides so that the mirrored cut enters no vestibule. */
  readonly outwardShiftMillimetres: number
  readonly asymmetryMillimetres: number
  /** Stone outside the vestibule: what may still come off. */
  readonly slackMillimetres: PerSide<number>
  readonly front: UpperFront | LowerFront
  readonly corner: Point
  readonly apex: Point
  readonly heel: Heel
  readonly warnings: readonly TrimWarning[]
}
interface UpperFront {
  readonly kind: 'planes'
  readonly angleDegrees: number
  readonly line: CutLine
}
interface LowerFront {
  readonly kind: 'arc'
  readonly centre: Point
  readonly radiusMillimetres: number
  readonly halfAngleDegrees: number
}

/**
 * Every cut of the upper base: back, sides, two front planes that meet at the midline, heels.
 * @throws {DomainError} the refusals of the landmarks; `heel-range`, `incisor-behind-canines`,
 * `no-room-for-heel`, `cuts-cross`
 */
export function planUpper(landmarks: UpperLandmarks, choices: TrimChoices = usualTrimChoices): TrimPlan {
  checkTrimChoices(choices)
  const framed = frameUpper(landmarks, choices.backClearanceMillimetres)
  const side = planSides(framed, choices)
  const front = upperFront(framed, side, choices)
  const alpha = Math.PI / 2 - side.tau
  return assemble('upper', framed, { ...side, h0: front.h0 }, front, alpha, choices)
}

/**
 * Every cut of the lower base: sides, one arc in front, heels parallel to the upper's in occlusion.
 * @param upperSideAngleDegrees of the upper plan, for the heels
 * @throws {DomainError} as `planUpper`
 */
export function planLower(
  landmarks: LowerLandmarks,
  upperSideAngleDegrees: number,
  choices: TrimChoices = usualTrimChoices,
): TrimPlan {
  checkTrimChoices(choices)
  const framed = frameLower(landmarks)
  const side = planSides(framed, choices)
  const front = lowerFront(framed, side, choices)
  return assemble('lower', framed, side, front, toRadians(upperSideAngleDegrees), choices)
}

interface PlannedSides {
  readonly better: Side
  readonly either: boolean
  readonly weak: boolean
  readonly tau: number
  readonly normal: Point
  readonly forwards: Point
  /** Distance of the side line without the allowance. */
  readonly h0: number
  readonly support: PerSide<number>
}

const direction = (tau: number) => ({
  normal: { x: Math.cos(tau), y: Math.sin(tau) },
  forwards: { x: -Math.sin(tau), y: Math.cos(tau) },
})

/** How far the protected points reach along a direction, seen from a side. */
function support(framed: FramedArch, side: Side, normal: Point): number {
  return Math.max(...framed.protected.map((p) => dot(normal, seenFrom(side, p))))
}

function planSides(framed: FramedArch, choices: TrimChoices): PlannedSides {
  const lines = { right: buccalLine(framed, 'right'), left: buccalLine(framed, 'left') }
  const shift = (side: Side) => {
    const { normal } = direction(lines[side].tau)
    const own = support(framed, side, normal)
    return Math.max(own, support(framed, otherSide(side), normal)) - own
  }
  const residuals =
    lines.right.residual !== undefined && lines.left.residual !== undefined
      ? [lines.right.residual, lines.left.residual]
      : [0, 0]
  /** Smaller is better, for right and left; the first that differs decides. */
  const keys: readonly (readonly number[])[] = [
    residuals,
    [shift('right'), shift('left')],
    [lines.right.tau, lines.left.tau],
    [-framed.canines.right.y, -framed.canines.left.y],
    [framed.canines.right.x, -framed.canines.left.x],
  ]
  const deciding = keys.find(([right, left]) => Math.abs(right! - left!) > 1e-9)
  const better = choices.betterSide ?? (deciding && deciding[0]! > deciding[1]! ? 'left' : 'right')
  const { tau } = lines[better]
  const { normal, forwards } = direction(tau)
  const reach = { right: support(framed, 'right', normal), left: support(framed, 'left', normal) }
  return {
    better,
    either: choices.betterSide === undefined && deciding === undefined,
    weak: choices.betterSide === undefined && Math.abs(residuals[0]! - residuals[1]!) < 0.1,
    tau,
    normal,
    forwards,
    h0: Math.max(reach.right, reach.left),
    support: reach,
  }
}

interface PlannedFront {
  readonly front: UpperFront | LowerFront
  readonly corner: Point
  readonly apex: Point
  readonly h0: number
  readonly warnings: readonly TrimWarning[]
}

/** Where the ray from the better side's canine meets the side line. */
function canineCorner(
  framed: FramedArch,
  side: PlannedSides,
  choices: TrimChoices,
): { K0: Point; Q: Point; rho: Point } {
  const Q = seenFrom(side.better, framed.canines[side.better])
  const ray = toRadians(choices.canineRayDegrees)
  const rho = { x: Math.sin(ray), y: Math.cos(ray) }
  return { K0: along(Q, rho, (side.h0 - dot(side.normal, Q)) / dot(side.normal, rho)), Q, rho }
}

/** Protected points of both sides, folded onto one half-plane. */
function folded(framed: FramedArch): Point[] {
  return sides.flatMap((side) => framed.protected.map((p) => seenFrom(side, p)).filter((p) => p.x >= 0))
}

function upperFront(framed: FramedArch, side: PlannedSides, choices: TrimChoices): PlannedFront {
  const { K0, Q, rho } = canineCorner(framed, side, choices)
  const points = folded(framed)
  const demanded = points
    .filter((p) => Math.hypot(p.x - K0.x, p.y - K0.y) > 1e-9)
    .map((p) => Math.atan2(p.y - K0.y, K0.x - p.x))
  const wanted = Math.max(...demanded)
  if (!(wanted > 0))
    throw new DomainError(
      'incisor-behind-canines',
      'The front teeth do not stand in front of the canines.',
      'Mark the incisor front and the canine centres again.',
      'incisorFront',
    )
  const limit = toRadians(choices.frontMaxDegrees)
  const steep = wanted > limit
  const phi = steep ? limit : wanted
  const f = { x: Math.sin(phi), y: Math.cos(phi) }
  const reach = Math.max(...points.map((p) => (dot(f, p) - dot(f, Q)) / dot(f, rho)))
  const K = steep ? along(Q, rho, reach) : K0
  const h0 = steep ? dot(side.normal, K) : side.h0
  const c = choices.vestibuleAllowanceMillimetres
  const line: CutLine = { normal: f, offset: dot(f, K) + c }
  const sideLine: CutLine = { normal: side.normal, offset: h0 + c }
  const warnings: TrimWarning[] = steep
    ? [
        {
          code: 'front-steep',
          sentence: saying`The front would stand at ${qty.degrees(toDegrees(wanted), 0)}: it is kept at ${qty.degrees(choices.frontMaxDegrees)}, and the sides move out by ${qty.mm(h0 - side.h0, 1)}.`,
        },
      ]
    : []
  return {
    front: { kind: 'planes', angleDegrees: toDegrees(phi), line },
    corner: meet(sideLine, line),
    apex: { x: 0, y: line.offset / f.y },
    h0,
    warnings,
  }
}

function lowerFront(framed: FramedArch, side: PlannedSides, choices: TrimChoices): PlannedFront {
  const { K0 } = canineCorner(framed, side, choices)
  const c = choices.vestibuleAllowanceMillimetres
  const demanded = folded(framed)
    .map((p) => ({ w: p.x, Y: p.y - K0.y }))
    .filter(({ Y }) => Y > 0)
    .map(({ w, Y }) => (w * w + Y * Y - K0.x * K0.x) / (2 * Y))
  if (demanded.length === 0)
    throw new DomainError(
      'incisor-behind-canines',
      'The front teeth do not stand in front of the canines.',
      'Mark the incisor front and the canine centres again.',
      'incisorFront',
    )
  const m = Math.max(...demanded)
  const radius = Math.hypot(K0.x, m) + c
  const centre = { x: 0, y: K0.y + m }
  const t = side.h0 + c - dot(side.normal, centre)
  const corner = along(
    along(centre, side.normal, t),
    side.forwards,
    Math.sqrt(Math.max(0, radius ** 2 - t ** 2)),
  )
  const ahead = dot(minus(corner, K0), side.forwards)
  return {
    front: {
      kind: 'arc',
      centre,
      radiusMillimetres: radius,
      halfAngleDegrees: toDegrees(Math.atan2(corner.x, corner.y - centre.y)),
    },
    corner,
    apex: { x: 0, y: centre.y + radius },
    h0: side.h0,
    warnings:
      ahead > 0.5 && c === 0
        ? [
            {
              code: 'corner-ahead-of-canine',
              sentence: saying`The corner comes ${qty.mm(ahead, 1)} ahead of the canine.`,
            },
          ]
        : [],
  }
}

/** The heel of one side; upper heels stand square to the bisector of side and back, lower ones parallel to them. */
function planHeel(
  framed: FramedArch,
  sideLine: CutLine,
  tau: number,
  upperAlpha: number,
  corner: Point,
  wanted: number,
): { heel: Heel; warnings: TrimWarning[] } {
  const alpha = Math.PI / 2 - tau
  const beta = Math.PI / 2 - upperAlpha / 2
  const gamma = Math.PI - alpha - beta
  const { forwards } = direction(tau)
  const C = { x: sideLine.offset / Math.cos(tau), y: 0 }
  const depthPerLength = (Math.sin(gamma) * Math.cos(upperAlpha / 2)) / Math.sin(alpha)
  const inwards = { x: -Math.cos(upperAlpha / 2), y: Math.sin(upperAlpha / 2) }
  const room = Math.min(
    ...sides.flatMap((side) => framed.protected.map((p) => dot(minus(seenFrom(side, p), C), inwards))),
  )
  const longest = room / depthPerLength
  // Nothing but rounding left is no room.
  if (!(longest > 1e-9))
    throw new DomainError(
      'no-room-for-heel',
      'There is no room for a heel.',
      'Move the back cut backwards, or mark the vestibule again.',
      'vestibule',
    )
  const length = Math.min(wanted, longest)
  const legBack = (length * Math.sin(gamma)) / Math.sin(alpha)
  const legSide = (length * Math.sin(beta)) / Math.sin(alpha)
  if (legBack > C.x || legSide > Math.hypot(corner.x - C.x, corner.y - C.y))
    throw new DomainError(
      'cuts-cross',
      'The heel would cut away the whole side or back.',
      'Choose a shorter heel.',
      'heelMillimetres',
    )
  const atBack = { x: C.x - legBack, y: 0 }
  const normal = { x: -inwards.x, y: -inwards.y }
  const backwards = ((heelRange.min * depthPerLength - room) * Math.sin(alpha)) / dot(forwards, inwards)
  return {
    heel: {
      line: { normal, offset: dot(normal, atBack) },
      lengthMillimetres: length,
      longestMillimetres: longest,
      betaDegrees: toDegrees(beta),
      gammaDegrees: toDegrees(gamma),
      atBack,
      atSide: along(C, forwards, legSide),
    },
    warnings:
      longest < heelRange.min
        ? [
            {
              code: 'heel-short',
              sentence: saying`The heel can only be ${qty.mm(longest, 1)}. Move the back cut ${qty.mm(backwards, 1)} backwards, or accept it.`,
            },
          ]
        : [],
  }
}

function assemble(
  arch: TrimPlan['arch'],
  framed: FramedArch,
  side: PlannedSides,
  { front, corner, apex, warnings }: PlannedFront,
  upperAlpha: number,
  choices: TrimChoices,
): TrimPlan {
  const h = side.h0 + choices.vestibuleAllowanceMillimetres
  const sideLine: CutLine = { normal: side.normal, offset: h }
  const { heel, warnings: heelWarnings } = planHeel(
    framed,
    sideLine,
    side.tau,
    upperAlpha,
    corner,
    choices.heelMillimetres,
  )
  const sideAngleDegrees = 90 - toDegrees(side.tau)
  const all: TrimWarning[] = [...warnings, ...heelWarnings]
  if (side.weak && !side.either)
    all.push({
      code: 'weak-choice',
      sentence: 'Both sides lie about equally well: the choice of the better side is weak.',
    })
  if (framed.behindBackMillimetres > 1e-9)
    all.push({
      code: 'behind-back',
      sentence: saying`Anatomy lies ${qty.mm(framed.behindBackMillimetres, 1)} behind the back.`,
    })
  return {
    arch,
    framed,
    better: side.better,
    either: side.either,
    tauDegrees: toDegrees(side.tau),
    sideAngleDegrees,
    sideLine,
    // Of the sides alone: a front that is kept from being steep moves them further, and says so itself.
    outwardShiftMillimetres: Math.max(side.support.right, side.support.left) - side.support[side.better],
    asymmetryMillimetres: Math.abs(side.support.right - side.support.left),
    slackMillimetres: { right: h - side.support.right, left: h - side.support.left },
    front,
    corner,
    apex,
    heel,
    warnings: [...all, ...unusual(arch, sideAngleDegrees, front, heel)],
  }
}

/** Sanity ranges, recalled loosely from orthodontic handbooks: a hint to look again, never a limit. */
function unusual(arch: TrimPlan['arch'], side: number, front: TrimPlan['front'], heel: Heel): TrimWarning[] {
  const ranges: [string, number, number, number][] = [
    ['side angle', side, arch === 'upper' ? 60 : 55, arch === 'upper' ? 70 : 65],
    ['heel angle', 180 - heel.betaDegrees, 115, 130],
    ...(front.kind === 'planes'
      ? [['front angle', front.angleDegrees, 25, 35] as [string, number, number, number]]
      : []),
  ]
  return ranges
    .filter(([, value, min, max]) => value < min || value > max)
    .map(([what, value, min, max]) => ({
      code: 'unusual-angle',
      sentence: saying`The ${what} of ${qty.degrees(value, 0)} is outside the usual ${min}-${qty.degrees(max)}: look at the landmarks again.`,
    }))
}
