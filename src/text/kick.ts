import type { frontChoices } from '@/core/bench/pairing'
import { PORT_SAYS } from '@/core/pair/kick'
import { hzText } from './heads'
import { ringText } from './pair'
import { allRodsText } from './relation'

type Choices = ReturnType<typeof frontChoices>

/** What the hand does first: the batter from its wrinkles, then a front. */
export const kickMoveText = ({ turns }: Choices, batterHz: number | null): string =>
  batterHz === null ? `Batter: wrinkles gone, then ${allRodsText(turns)}` : 'Choose a front'

/** The batter by feel: from where its wrinkles are just gone, what that gives, and where it is now. */
export function kickFeelText({ turns, start }: Choices, inches: number, batterHz: number | null): string {
  return [
    `Wrinkles just gone, then every rod ${allRodsText(turns)} for ${inches} inches: about ${hzText(start)} Hz.`,
    'A larger shell wants relatively more, or it slaps and has no body.',
    batterHz === null ? 'Not read yet.' : `Now ${hzText(batterHz)} Hz.`,
  ].join(' ')
}

/** The hole in the front head that is, and of the other way the rest. */
export function portText(inches: number | undefined): { says: string; other: string } {
  return inches
    ? {
        says: `A hole of ${inches} inches in the front head. ${PORT_SAYS.ported}`,
        other: 'Its size is noted with the drum, under Kit.',
      }
    : {
        says: `None noted. ${PORT_SAYS.none}`,
        other: `${PORT_SAYS.ported} Its size is noted with the drum, under Kit.`,
      }
}

/** What the model foretells of a front. */
export function frontText({ centre, ring }: Choices['fronts'][number]): string {
  const give = Math.round(centre.errorCents)
  return `the model: speaks near ${hzText(centre.hz)} Hz, give or take ${give} c; rings ${ringText(ring)}`
}

export const FRONT_NOTE =
  'Both heads slack: a thud. Strike from the audience side with the pedal too; a tone too low for the microphone is told by the ones above it, and Humbra says which.'
