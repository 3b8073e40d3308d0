import { burnoutSheet } from './burnout.ts'
import { buttonSheet } from './button.ts'
import { chargeSheet } from './charge.ts'
import { closuresSheet } from './closures.ts'
import { cureSheet } from './cure.ts'
import { densitySheet } from './density.ts'
import { disinfectionSheet } from './disinfection.ts'
import { dispatchSheet } from './dispatch.ts'
import { enclosuresSheet } from './enclosures.ts'
import { enlargementSheet } from './enlargement.ts'
import { finishedPairSheet } from './finished-pair.ts'
import { firingSheet } from './firing.ts'
import { groovesSheet } from './grooves.ts'
import { mountingSheet } from './mounting.ts'
import { partsSheet } from './parts.ts'
import { placesSheet } from './places.ts'
import { prescriptionSheet } from './prescription.ts'
import { regionsSheet } from './regions.ts'
import { releaseSheet } from './release.ts'
import { remountSheet } from './remount.ts'
import { roomSheet } from './room.ts'
import { sawPlanSheet } from './saw-plan.ts'
import { setUpSheet } from './set-up.ts'
import { setUpPlanSheet } from './set-up-plan.ts'
import { shadeReadingSheet } from './shade-reading.ts'
import { stainPlanSheet } from './stain-plan.ts'
import { surveySheet } from './survey.ts'
import { teethSetSheet } from './teeth-set.ts'
import { trimPlanSheet } from './trim-plan.ts'
import { tryInAnswerSheet } from './try-in-answer.ts'
import { wheelSheet } from './wheel.ts'

/** Every kind of sheet. What the routes may ask for, what HTTP takes in and what the screens must show follow from here. */
export const sheetKinds = {
  parts: partsSheet,
  places: placesSheet,
  trimPlan: trimPlanSheet,
  finishedPair: finishedPairSheet,
  mounting: mountingSheet,
  prescription: prescriptionSheet,
  setUpPlan: setUpPlanSheet,
  teethSet: teethSetSheet,
  setUp: setUpSheet,
  remount: remountSheet,
  room: roomSheet,
  grooves: groovesSheet,
  regions: regionsSheet,
  burnout: burnoutSheet,
  cure: cureSheet,
  closures: closuresSheet,
  charge: chargeSheet,
  button: buttonSheet,
  dispatch: dispatchSheet,
  tryInAnswer: tryInAnswerSheet,
  sawPlan: sawPlanSheet,
  wheel: wheelSheet,
  survey: surveySheet,
  stainPlan: stainPlanSheet,
  firing: firingSheet,
  shadeReading: shadeReadingSheet,
  enlargement: enlargementSheet,
  density: densitySheet,
  disinfection: disinfectionSheet,
  enclosures: enclosuresSheet,
  release: releaseSheet,
} as const
