/**
 * A plain decimal number as people type it: a point or a comma, any script's digits, full-width ones too; a minus in front.
 * Nothing else is one: no hexadecimal, no exponent, no sign alone.
 * @returns null for what is no number
 */
export function parseNumber(text: string): number | null {
  const plain = plainDigits(text).trim()
  return /^-?(\d+([.,]\d*)?|[.,]\d+)$/.test(plain) ? Number(plain.replace(',', '.')) : null
}

/** The text with every digit, decimal sign and minus as ASCII has them; all else as it was. */
export function plainDigits(text: string): string {
  return text
    .replace(/[\u066B\uFF0E]/g, '.')
    .replace(/\uFF0C/g, ',')
    .replace(/[\u2212\u2013\u2012\uFF0D]/g, '-')
    .replace(/\p{Nd}/gu, (digit) => String(digitValue(digit.codePointAt(0)!)))
}

/** Unicode has decimal digits in runs of ten that begin with zero (The Unicode Standard, 4.6). */
function digitValue(code: number): number {
  let before = 0
  while (/\p{Nd}/u.test(String.fromCodePoint(code - before - 1))) before++
  return before % 10
}

/** Reads a number that must lie within bounds. */
export function numberWithin(least: number, most: number): (text: string) => number | null {
  return (text) => {
    const value = parseNumber(text)
    return value !== null && value >= least && value <= most ? value : null
  }
}
