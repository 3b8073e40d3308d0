export { type MachineNature, type MachineRun, type MachineTrouble, runMachine } from './machine-run.ts'
export {
  checkMeasured,
  insideCelsius,
  isPlausibleCelsius,
  keptReadings,
  type MeasuredPoint,
  measuredRunShape,
} from './measured-curve.ts'
export {
  checkProgramLength,
  type ProgramSegment,
  programCelsius,
  programMinutes,
  programShape,
  programStretchAt,
  programStretches,
  readyAfter,
  startFor,
  type TemperatureProgram,
} from './temperature-program.ts'
