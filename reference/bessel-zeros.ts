/** Zeros j_mn of J_m. Source: Abramowitz & Stegun, *Handbook of Mathematical Functions*, table 9.5. */
export const BESSEL_ZEROS: ReadonlyArray<{ m: number; n: number; zero: number }> = [
  { m: 0, n: 1, zero: 2.4048255577 },
  { m: 1, n: 1, zero: 3.8317059702 },
  { m: 2, n: 1, zero: 5.1356223018 },
  { m: 0, n: 2, zero: 5.5200781103 },
  { m: 3, n: 1, zero: 6.38016 },
  { m: 1, n: 2, zero: 7.0155866698 },
  { m: 4, n: 1, zero: 7.58834 },
  { m: 2, n: 2, zero: 8.41724 },
  { m: 0, n: 3, zero: 8.6537279129 },
]

/** Zeros j'_mn of J_m'. Source: Abramowitz & Stegun, table 9.5; 0 counts as the first for m = 0. */
export const BESSEL_PRIME_ZEROS: ReadonlyArray<{ m: number; n: number; zero: number }> = [
  { m: 0, n: 1, zero: 0 },
  { m: 0, n: 2, zero: 3.83171 },
  { m: 1, n: 1, zero: 1.84118 },
  { m: 1, n: 2, zero: 5.33144 },
  { m: 2, n: 1, zero: 3.05424 },
  { m: 3, n: 1, zero: 4.20119 },
]
