/** Exact by definition: the inch is 25.4 mm (NIST SP 811). */
export const MILLIMETRES_PER_INCH = 25.4
/** Pound-force per square inch in kilopascal (NIST SP 811, rounded there to 7 figures). */
export const KILOPASCALS_PER_PSI = 6.894757

/** °F to °C, exact: (F - 32) · 5/9. Example: 165 °F is 73.89 °C. */
export function celsiusFromFahrenheit(fahrenheit: number): number {
  return ((fahrenheit - 32) * 5) / 9
}

/** °C to °F, exact: C · 9/5 + 32. */
export function fahrenheitFromCelsius(celsius: number): number {
  return (celsius * 9) / 5 + 32
}

/** psi to kPa. Example: 1500 psi is 10 342 kPa. */
export function kilopascalsFromPsi(psi: number): number {
  return psi * KILOPASCALS_PER_PSI
}

/** kPa to psi. */
export function psiFromKilopascals(kilopascals: number): number {
  return kilopascals / KILOPASCALS_PER_PSI
}

/** Inches to mm, exact. */
export function millimetresFromInches(inches: number): number {
  return inches * MILLIMETRES_PER_INCH
}

/** mm to inches, exact. */
export function inchesFromMillimetres(millimetres: number): number {
  return millimetres / MILLIMETRES_PER_INCH
}
