import {
  alloyCards,
  endClearances,
  GYPSUM_CEILING_CELSIUS,
  LATEST_TRANSFER_SECONDS,
  LIGHTEST_ALLOY_GRAMS_PER_CM3,
  USUAL_SPRUE_GAUGES,
  usualPeaks,
} from '../casting/index.ts'
import { type Binder, gaugeMillimetres, USUAL_WAX_GRAMS_PER_CM3 } from '../materials/index.ts'
import { capital, joined, qty, type Saying, saying } from '../quantity/index.ts'
import type { CastingRecord } from './casting-record.ts'
import { type CauseRule, type Findings, namesIn, type RankedCause, rankCauses, when } from './causes.ts'

type Rule = CauseRule<CastingRecord>
const minutes = (value: number) => qty.minutes(value, value < 10 ? 1 : 0)

const transferLate: Rule = {
  name: 'The mould cooled on its way to the arm',
  change: 'Wind the arm and melt first; at most a minute from oven to arm.',
  evidence: ({ transferMinutes: t }) =>
    t === undefined
      ? undefined
      : when(60 * t > LATEST_TRANSFER_SECONDS, saying`${minutes(t)} from oven to arm.`),
}
/** So far below its usual peak a mould is cold, °C (choice). */
const COLD_BELOW_PEAK_CELSIUS = 50
/** A step may be tapped so much before or after the furnace, min (choice). */
const TAPPED_WITHIN_MINUTES = 1
/** Where no program is on record: shorter than this no ring is hot through, min (choice; the heat of the ring says it better). */
const SHORTEST_BURNOUT_MINUTES = 120
const furnaceCold: Rule = {
  name: 'The mould was not hot enough',
  change: 'Hold at the temperature of the investment, until the core is hot: see Cast, Burnout.',
  evidence: ({
    furnaceCelsius: t,
    binder = 'phosphate',
    burnoutMinutes: m,
    usualPeakCelsius,
    programMinutes,
  }) => {
    if (t === undefined && m === undefined) return undefined
    const usual = (usualPeakCelsius ?? usualPeaks[binder]) - COLD_BELOW_PEAK_CELSIUS
    const cold = t !== undefined && t < usual
    const short = m !== undefined && m < (programMinutes ?? SHORTEST_BURNOUT_MINUTES) - TAPPED_WITHIN_MINUTES
    const words: Saying[] = [
      ...(t === undefined
        ? []
        : [saying`final hold at ${qty.celsius(t, 0)}, usual ${qty.celsius(usual)} or more`]),
      ...(m === undefined ? [] : [saying`${qty.minutes(m, 0)} in the furnace`]),
    ]
    return when(cold || short, capital(saying`${joined(words)}.`))
  },
}
const coreFell: Rule = {
  name: 'The mould cooled in the furnace and shrank',
  change: 'After a power cut or an open door judge the curve: see Cast, Burnout.',
  evidence: ({ coreFellToCelsius: t, measuredByMachine }) =>
    t !== undefined
      ? when(true, saying`The core fell to ${qty.celsius(t, 0)}.`)
      : measuredByMachine
        ? when(false, 'The core never fell, by the curve of the furnace.')
        : undefined,
}
const metalShort: Rule = {
  name: 'Too little metal',
  change: 'Work the alloy out from the pattern with its sprue, and add the button: see Cast, Metal.',
  evidence: ({ alloyGrams: alloy, patternGrams: pattern, alloyId }) => {
    if (alloy === undefined || pattern === undefined) return undefined
    const density = alloyCards.find(({ id }) => id === alloyId)?.gramsPerCm3 ?? LIGHTEST_ALLOY_GRAMS_PER_CM3
    const least = (pattern / USUAL_WAX_GRAMS_PER_CM3) * density
    return when(
      alloy < least,
      saying`${qty.grams(alloy, 2)} melted; ${qty.grams(pattern)} of wax want at least ${qty.grams(least, 1)}.`,
    )
  },
}
/** The alloys that a binder is usual for: what they have in common, where the alloy itself is not on record. */
const usualTurns = (binder: Binder) =>
  Math.min(...alloyCards.filter(({ usualBinder }) => usualBinder === binder).map(({ turns }) => turns[0]))
const fewTurns: Rule = {
  name: 'Too little pressure',
  change: 'More turns: 2 to 3 for dense, 4 to 5 for light alloys.',
  evidence: ({ turns, binder = 'phosphate', alloyId }) => {
    if (turns === undefined) return undefined
    const usual = alloyCards.find(({ id }) => id === alloyId)?.turns[0] ?? usualTurns(binder)
    return when(turns < usual, `${turns} turns; usual ${usual} or more.`)
  },
}
const clearanceLong: Rule = {
  name: 'Gas could not leave the end of the mould',
  change: 'Bring the pattern to 6 mm (gypsum) or 3 to 4 mm (phosphate) below the end of the ring.',
  evidence: ({ endClearanceMillimetres: mm, binder = 'phosphate' }) => {
    if (mm === undefined) return undefined
    const { most } = endClearances[binder]
    return when(mm > most, saying`${qty.mm(mm)} to the end of the ring; at most ${qty.mm(most)}.`)
  },
}
/** Where no program is on record: shorter than this nothing was slow, min (choice). */
const SHORTEST_SLOW_BURNOUT_MINUTES = 150
/** Through an inversion, °C/min (choice). */
const SLOW_CELSIUS_PER_MINUTE = 10
const heatedFast: Rule = {
  name: 'Heated too fast',
  change: 'Slowly through 250 °C and 573 °C; the longer program.',
  evidence: ({ burnoutMinutes: m, throughInversionsCelsiusPerMinute: rate, hotEntry, programMinutes }) => {
    if (hotEntry) return when(false, 'Its product is marked for a hot furnace.')
    if (rate !== undefined)
      return when(
        rate > SLOW_CELSIUS_PER_MINUTE,
        saying`Up to ${qty.celsiusPerMinute(rate, 0)} through an inversion.`,
      )
    if (m === undefined) return undefined
    const least = programMinutes ?? SHORTEST_SLOW_BURNOUT_MINUTES
    return when(m < least - TAPPED_WITHIN_MINUTES, saying`${qty.minutes(m, 0)} in the furnace in all.`)
  },
}
const setShort: Rule = {
  name: 'Into the furnace out of its time',
  change: 'Bench set 45 to 60 min, or as the product says.',
  evidence: ({ benchSetMinutes: m, furnaceMinutes: fast, contactToFurnaceMinutes: stood }) => {
    if (fast && stood !== undefined)
      return when(
        stood < fast.from || stood > fast.to,
        saying`${qty.minutes(stood, 0)} from contact to furnace; its pack says ${fast.from} to ${qty.minutes(fast.to)}.`,
      )
    return m === undefined ? undefined : when(m < 45, saying`${qty.minutes(m, 0)} of bench set.`)
  },
}
const ratioWords = {
  usual: 'in the usual range',
  thin: 'thinner than usual',
  thick: 'thicker than usual',
} as const
const ratioRule = (side: 'thin' | 'thick', name: string, change: string): Rule => ({
  name,
  change,
  evidence: ({ ratio }) =>
    ratio &&
    when(
      ratio.standing === side,
      saying`Mixed at ${qty.millilitresPerGram(ratio.millilitresPerGram, 3)}, ${ratioWords[ratio.standing]}.`,
    ),
})
const noWetting: Rule = {
  name: 'No wetting agent, or bubbles left on the wax',
  change: 'Wetting agent, blow it dry, paint the first investment on.',
  evidence: ({ wettingAgent }) =>
    wettingAgent === undefined ? undefined : when(wettingAgent === 'none', `Wetting agent: ${wettingAgent}.`),
}
const wettingPools: Rule = {
  name: 'Wetting agent pooled on the pattern',
  change: 'Blow it dry before the investment goes on.',
  evidence: ({ wettingAgent }) =>
    wettingAgent === undefined
      ? undefined
      : when(wettingAgent === 'pools', `Wetting agent: ${wettingAgent}.`),
}
const sprueThin: Rule = {
  name: 'The sprue froze before the casting',
  change: 'A thicker sprue, or a ball reservoir close to the pattern: see Cast, Sprue and ring.',
  evidence: ({ sprueGauge: gauge }) =>
    // Between the two the thickest part decides, and that is on the Cast screen.
    gauge === undefined || (gauge > USUAL_SPRUE_GAUGES.thickest && gauge <= USUAL_SPRUE_GAUGES.thinnest)
      ? undefined
      : when(
          gauge > USUAL_SPRUE_GAUGES.thinnest,
          saying`Gauge ${gauge}, ${qty.mm(gaugeMillimetres(gauge), 2)} thick.`,
        ),
}
/** Hotter than this a binder breaks down, °C: gypsum Phillips, recalled; phosphate common practice, its sheet decides. */
const ceilings: Readonly<Record<Binder, number>> = { gypsum: GYPSUM_CEILING_CELSIUS, phosphate: 930 }
/** A hold so far over its sheet is one that was set otherwise, °C (choice). */
const OVER_PEAK_CELSIUS = 30
const overheated: Rule = {
  name: 'The investment broke down',
  change: 'Gypsum-bonded never above 700 °C; phosphate-bonded as its sheet says.',
  evidence: ({ furnaceCelsius: t, binder = 'phosphate', usualPeakCelsius: peak = 0 }) => {
    if (t === undefined) return undefined
    // A phosphate-bonded one stands what its own sheet holds it at; a gypsum-bonded one never more than its binder.
    const most =
      binder === 'gypsum' ? ceilings.gypsum : Math.max(ceilings.phosphate, peak + OVER_PEAK_CELSIUS)
    return when(t > most, saying`Final hold at ${qty.celsius(t, 0)}.`)
  },
}
const waxMoved: Rule = {
  name: 'The wax moved before it was invested',
  change: 'Invest within an hour of the last look at the margin.',
  evidence: ({ marginToInvestMinutes: m }) =>
    m === undefined ? undefined : when(m > 30, saying`${qty.minutes(m, 0)} from the last look to investing.`),
}
const metalCold: Rule = {
  name: 'The metal was not hot enough',
  change: 'Cast when the melt spins bright.',
}
const metalHot: Rule = {
  name: 'The metal was too hot',
  change: 'Take the flame off as soon as it spins bright.',
}
const dropped: Rule = {
  name: 'The ring was knocked, or the mould cracked',
  change: 'Set it down softly; look for a crack.',
}
const bentOff: Rule = {
  name: 'Bent when it was taken off the die',
  change: 'Straight up, by the sprue; chill it first.',
}

/** Where no program is on record: shorter than this carbon is left, min (choice). */
const SHORTEST_CLEAN_BURNOUT_MINUTES = 180
const carbonLeft: Rule = {
  name: 'Wax or carbon was left in the mould',
  change: 'Hole down first; the whole final hold.',
  evidence: ({ burnoutMinutes: m, programMinutes }) =>
    m === undefined
      ? undefined
      : when(
          m < (programMinutes ?? SHORTEST_CLEAN_BURNOUT_MINUTES) - TAPPED_WITHIN_MINUTES,
          saying`${qty.minutes(m, 0)} in the furnace in all.`,
        ),
}
const littleExpansion: Rule = {
  name: 'The mould expanded too little',
  change: 'More special liquid, as the Cast screen works out from the table of the product.',
}
const spacerThin: Rule = {
  name: 'The spacer was thin, or at the margin',
  change: 'Two even coats, a millimetre short of the margin.',
}
const returned: Rule = {
  name: 'Metal that was melted too often',
  change: 'New metal; for posts at least half of it.',
  evidence: ({ remeltShare: share }) =>
    share === undefined
      ? undefined
      : when(share > 0.5, saying`${qty.percent(100 * share, 0)} of the charge had been melted before.`),
}
const thin = ratioRule('thin', 'The investment was too thin', 'Weigh and measure; less liquid.')
const thick = ratioRule('thick', 'The investment was too thick', 'Weigh and measure; more liquid.')

const short = [transferLate, furnaceCold, metalShort, fewTurns, clearanceLong, metalCold]
const rough = [wettingPools, thin, overheated, heatedFast, metalHot]
const nodules = [noWetting, thick]

/** Faults of a casting by where they are seen, with their causes, the likeliest first. */
const faults: Readonly<Record<string, Readonly<Record<string, readonly Rule[]>>>> = {
  margin: {
    Short: short,
    Rounded: [clearanceLong, carbonLeft, fewTurns],
    Fins: [heatedFast, setShort, thin, dropped],
  },
  inside: { Nodules: nodules, Rough: rough },
  walls: {
    Rough: rough,
    Pinholes: [metalHot, carbonLeft, returned, clearanceLong],
    Bent: [waxMoved, bentOff],
  },
  chewing: { 'Not filled': short, Nodules: nodules },
  sprue: {
    'Shrinkage porosity': [sprueThin, metalShort, metalHot],
    'Sucked in': [sprueThin, metalHot],
  },
  seats: {
    'Held up inside': [noWetting, littleExpansion, spacerThin],
    'Will not seat': [coreFell, transferLate, littleExpansion, waxMoved, spacerThin, noWetting],
  },
}

/**
 * What may have caused a fault of a casting: first what this case's own record supports, then what is not on record, last
 * what it speaks against; the usual likelihood decides within each.
 *
 * @param place a region of the casting, or `seats` for how it goes onto its die
 * @param fault what was seen there; what is no fault gives no causes
 * Source: common practice; the limits are those of the steps.
 */
export function castingCauses(
  place: string,
  fault: string,
  record: CastingRecord,
  found?: Findings,
): readonly RankedCause[] {
  return rankCauses(faults[place]?.[fault] ?? [], record, found)
}

export const castingCauseNames = namesIn(faults)
