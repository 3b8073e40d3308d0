/**
 * What a part of a route means to those who read a record: causes of a fault, clocks, calculators. They look for the meaning,
 * and know no step by its name.
 */
export const stepMeanings = [
  'authorisationRead',
  'arrivalDisinfected',
  'prescriptionTaken',
  'articulatorSet',
  'flaskFirstPour',
  'flaskSecondPour',
  'flaskCap',
  'mouldSeparated',
  'mouldCools',
  'doughMixed',
  'doughRipens',
  'trialClosures',
  'benchRest',
  'flaskCools',
  'mouldSawn',
  'sprued',
  'lastMarginLook',
  'invested',
  'benchSet',
  'burntOut',
  'casting',
  'waterStorage',
  'bagged',
] as const
export type StepMeaning = (typeof stepMeanings)[number]

export const checkMeanings = [
  'greaseInMould',
  'finalPressure',
  'flaskTemperature',
  'resinSurface',
  'seatOnCast',
  'wettingAgent',
  'specialLiquid',
  'weightWithSprue',
  'sprueGauge',
  'endClearance',
  'armTurns',
  'flashSeen',
  'baseTilt',
  'ringPowder',
  'enclosuresBack',
  'pinOpening',
  'borderThickness',
] as const
export type CheckMeaning = (typeof checkMeanings)[number]
