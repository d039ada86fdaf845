import { expect, type Page } from '@playwright/test'
import { button, move } from './page'

/** Squared hertz that a turn of all rods brings, about what a 12 inch head of usual film answers with. */
const HZ2_PER_TURN = 36_000
/** Of that, what a rod does at its own lug alone. */
const OWN_PART = 0.6

/**
 * A drum that no model of the app's made: every rod moves its own lug most and all the others a little, and what is read of it scatters by
 * numbers drawn once and written down.
 */
export class OwnLugDrum {
  private squared: number[]
  private reads = 0

  constructor(
    lugHz: readonly number[],
    private readonly scatterCents: readonly number[] = [0],
  ) {
    this.squared = lugHz.map((hz) => hz * hz)
  }

  turn(turns: readonly number[]): void {
    const mean = turns.reduce((sum, turn) => sum + turn, 0) / turns.length
    this.squared = this.squared.map(
      (hz2, i) => hz2 + HZ2_PER_TURN * (OWN_PART * turns[i] + (1 - OWN_PART) * mean),
    )
  }

  /** Whole hertz, as a display shows them. */
  read(): number[] {
    return this.squared.map((hz2) => {
      const cents = this.scatterCents[this.reads++ % this.scatterCents.length]
      return Math.round(Math.sqrt(hz2) * 2 ** (cents / 1200))
    })
  }

  /** Lug pitches in cents against the first lug's. */
  cents(): number[] {
    return this.squared.map((hz2) => 600 * Math.log2(hz2 / this.squared[0]))
  }

  get spreadCents(): number {
    const cents = this.cents()
    return Math.max(...cents) - Math.min(...cents)
  }
}

const turnOf = (text: string): number =>
  text.split(' ').reduce((sum, part) => {
    const [numerator, denominator = '1'] = part.split('/')
    return sum + Number(numerator) / Number(denominator)
  }, 0)

/** Makes all moves of the pass that is asked for; @returns what was turned, by what the passes below say. */
export async function makePass(page: Page, lugs: number): Promise<number[]> {
  await button(move(page), /turned, pressed$|^Turned, pressed$/i).click()
  await expect(move(page)).toHaveText(/0 of \d+ lugs read/)
  const last = page.getByRole('region', { name: 'Passes' }).getByRole('listitem').last()
  const said = (await last.locator('p').last().textContent())!
  const turns = new Array<number>(lugs).fill(0)
  for (const part of said.split(' · ')) {
    const [, rods, way, turn] = /^(all|[\d, ]+) (up|down) ([\d/ ]+)$/.exec(part)!
    const named = rods === 'all' ? turns.map((_, i) => i) : rods.split(', ').map((rod) => Number(rod) - 1)
    for (const rod of named) turns[rod] = (way === 'up' ? 1 : -1) * turnOf(turn)
  }
  return turns
}
