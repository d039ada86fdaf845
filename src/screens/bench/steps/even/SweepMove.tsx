import { KeySweep } from '@/charts/KeySweep'
import { directionWord } from '@/text/turns'
import { Fraction } from '../../Big'

/** How far the key goes, drawn and in large type, with what the hand does under it. */
export function SweepMove({ turns, hand }: { turns: number; hand: string }) {
  return (
    <div className="mt-2 flex items-center gap-5">
      <KeySweep turns={turns} size={100} />
      <div>
        <p className="text-[52px] leading-none font-extrabold whitespace-nowrap">
          {directionWord(turns)} <Fraction turns={turns} />
        </p>
        <p className="mt-1 text-soft">{hand}</p>
      </div>
    </div>
  )
}
