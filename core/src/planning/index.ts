export { type LabCalendar, latestStart, usualCalendar, type WorkStretch } from './lab-calendar.ts'
export { afterWorkingDays } from './working-days.ts'
