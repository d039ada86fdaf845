import { shown } from './shown'

const MM_PER_INCH = 25.4

/** A drum's length as its owner reads it: "5.5", in inches, or "140 mm". */
export function lengthText(inches: number): string {
  if (shown().lengths === 'mm') return `${Math.round(inches * MM_PER_INCH)} mm`
  return numberText(Number(inches.toFixed(2)))
}

/** A number with the decimal sign of whoever looks. */
function numberText(value: number): string {
  const text = String(value)
  return shown().decimal === 'comma' ? text.replace('.', ',') : text
}
