export { type LabCalendar, latestStart, usualCalendar, type WorkStretch } from './lab-calendar.ts'
