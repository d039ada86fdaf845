/** Chance of at least `right` hits in `tries` fair guesses: the tail of the binomial law at one half. */
export function chanceByGuessing(right: number, tries: number): number {
  let sum = 0
  let ways = 1
  for (let k = tries; k >= right; k--) {
    sum += ways
    ways = (ways * k) / (tries - k + 1)
  }
  return sum / 2 ** tries
}
