import { createSelector } from 'reselect'
import { targetMeanHz } from '@/core/evening/types'
import { nextHeadText, nextText } from '@/text/steps'
import { adviceText } from '@/text/advice'
import { askedWords, readingWords } from '@/text/announce'
import { benchView } from './benchView'
import { jobView } from './jobView'
import type { SessionState } from './state'

/** What there is to be told of the head that is evened: the newest reading, once, and what is asked for now. */
export interface Announced {
  /** The tap of the reading, or the event of one that was typed; null where there was none. */
  tap: number | string | null
  reading: string
  asked: string
}

const NOTHING: Announced = { tap: null, reading: '', asked: '' }

export const announcedOf: (state: SessionState) => Announced = createSelector(
  [benchView, jobView, (state: SessionState) => state.bench.lastTap],
  (view, shown, last) => {
    if (!view || shown?.at.step !== 'even') return NOTHING
    const { job, next } = shown
    const targetHz = view.advice?.plan.targetHz ?? targetMeanHz(view.request.target)
    const plan = view.advice?.plan
    // Typed readings are no taps: the newest lug of the round stands for them.
    const typed = [...(view.sitting?.passes.at(-1)?.readings.values() ?? [])].at(-1)
    return {
      tap: last?.id ?? typed?.events.at(-1) ?? null,
      reading: last
        ? last.used && last.tap.hz !== null
          ? readingWords(last.lug, last.tap.hz, targetHz)
          : (last.why ?? '')
        : typed
          ? readingWords(typed.lug, typed.hz, targetHz)
          : '',
      asked: askedWords({
        phase: view.phase,
        lug: view.lug,
        step: view.steps[0] ?? null,
        roundTurns: view.climb?.rounds[0] ?? null,
        verdict: plan ? adviceText(plan, view.head.targetHz === null) : '',
        next: next
          ? 'stop' in next
            ? nextText(job, next.stop)
            : nextHeadText(next.drum.name, next.side)
          : null,
      }),
    }
  },
)
