'use client'

import { useEffect, useRef, type ComponentProps, type ReactNode } from 'react'
import { clsx } from 'clsx'
import { Button } from '@/ui/Button'
import { Tape } from '@/ui/Tape'
import { jobView, type JobView } from '@/session/jobView'
import { useSelect } from '@/session/react'
import { nextHeadText, nextText } from '@/text/steps'
import { useCommander } from '../shell/commander'

/** On a phone what was below is left behind when something else is asked: its question is at the top. */
export function useTop(asked: string | null): void {
  useEffect(() => {
    if (window.scrollY > 0) window.scrollTo({ top: 0 })
  }, [asked])
}

/**
 * The one frame of every step: its strip on the left, the panel of what the hand does now on the right, a foot of figures below.
 * On a phone the panel comes first and its buttons lie under the thumb; on a tablet held upright it stands over the strip,
 * which would be too narrow beside it.
 */
export function Frame({ strip, panel, foot }: { strip: ReactNode; panel: ReactNode; foot?: ReactNode }) {
  return (
    <>
      <div
        className={clsx(
          'flex min-h-0 flex-1 flex-col-reverse justify-end md:grid md:grid-cols-[minmax(0,1fr)_376px] xl:grid-cols-[minmax(0,1fr)_clamp(376px,29vw,560px)]',
          'md:max-lg:portrait:grid-cols-1 md:max-lg:portrait:grid-rows-[auto_minmax(440px,1fr)]',
        )}
      >
        {strip}
        <section
          aria-label="Next move"
          data-panel
          tabIndex={-1}
          className={clsx(
            'flex flex-col px-5 pt-3 pb-3 md:min-h-0 md:overflow-y-auto md:border-l md:border-line md:px-7 md:pt-4 md:pb-1',
            'md:max-lg:portrait:order-first md:max-lg:portrait:border-b md:max-lg:portrait:border-l-0 md:max-lg:portrait:pb-4',
          )}
        >
          {panel}
        </section>
      </div>
      {foot}
    </>
  )
}

interface StripFrameProps {
  label: string
  /** The tape is as high as there is room: for what is drawn to fit. Else as long as what is written on it. */
  fill?: boolean
  /** A line of state over the tape, and one of signs under it. */
  over?: ReactNode
  under?: ReactNode
  seed: number
  children: ReactNode
}

/** A strip of tape that fills the left of the frame; what is on it scrolls where it is too long, the frame does not. */
export function StripFrame({ label, over, under, seed, fill = false, children }: StripFrameProps) {
  return (
    <section aria-label={label} className="flex min-w-0 flex-col px-2 pb-2 md:min-h-0 md:px-6 md:pt-5">
      {over ? (
        <div className="mb-2 flex min-h-8 flex-wrap items-baseline gap-x-6 px-3 max-md:mt-3 md:px-7">
          {over}
        </div>
      ) : null}
      <Tape
        seed={seed}
        teeth={30}
        outerClass={clsx(
          'md:flex md:flex-col',
          fill ? 'md:min-h-0 md:flex-1' : 'md:max-h-full md:min-h-[50%] md:shrink',
        )}
        className="px-4 py-3 md:min-h-0 md:flex-1 md:overflow-y-auto md:px-7 md:py-5"
      >
        {children}
      </Tape>
      {under ? (
        <div className="mt-2 flex flex-wrap gap-x-6 px-3 text-[15px] text-soft md:px-7">{under}</div>
      ) : null}
    </section>
  )
}

interface PanelProps {
  over?: ReactNode
  big: ReactNode
  acts?: ReactNode
  /** The line's next among the buttons: in front where nothing is left here; null where it would lead astray. */
  next?: 'first' | 'last' | null
  children?: ReactNode
}

/** What the hand does now, largest of all; then its buttons; then notes, which alone scroll. */
export function Panel({ over, big, acts, next = 'last', children }: PanelProps) {
  return (
    <>
      {over ? <p className="text-soft">{over}</p> : null}
      {big}
      <Acts next={next}>{acts}</Acts>
      {children ? (
        <div className="mt-4 md:min-h-24 md:flex-1 md:overflow-y-auto" tabIndex={-1}>
          {children}
        </div>
      ) : null}
    </>
  )
}

/** Words that are read from a metre and a half, where the hand's work is more than a number. */
export function Phrase({ children }: { children: ReactNode }) {
  return (
    <h2 className="text-[40px] leading-[1.05] font-extrabold tracking-tight text-balance md:text-[44px]">
      {children}
    </h2>
  )
}

/** The one thing to do: large and brass, as wide as there is room for under a thumb. */
export function MainButton(props: ComponentProps<typeof Button>) {
  return <Button tone="act" big className="max-md:grow" {...props} />
}

interface ActsProps {
  children?: ReactNode
  /** The line's next among them: in front where this step has nothing left, else behind what it has. */
  next?: 'first' | 'last' | null
}

/** Buttons for the one thing to do: under the thumb on a phone, where the page makes room for them, in their place elsewhere. */
export function Acts({ children, next }: ActsProps) {
  const bar = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const element = bar.current
    if (!element) return
    const observer = new ResizeObserver(() =>
      document.documentElement.style.setProperty('--bar', `${element.offsetHeight}px`),
    )
    observer.observe(element)
    return () => {
      observer.disconnect()
      document.documentElement.style.removeProperty('--bar')
    }
  }, [])
  return (
    <div
      ref={bar}
      data-acts
      className={clsx(
        'flex flex-wrap gap-x-3 gap-y-2 md:mt-4',
        'max-md:fixed max-md:inset-x-0 max-md:bottom-0 max-md:z-20 max-md:border-t max-md:border-line max-md:bg-case max-md:px-5 max-md:pt-2 max-md:pb-4 max-md:empty:hidden',
      )}
    >
      {next === 'first' ? <NextButton first /> : null}
      {children}
      {next === 'last' ? <NextButton first={!children} /> : null}
    </div>
  )
}

/** What the line names next, in words; null while the step at hand has something left. */
function nextWords({ job, next }: JobView): string | null {
  if (!next) return null
  return 'stop' in next ? nextText(job, next.stop) : nextHeadText(next.drum.name, next.side)
}

/** One button to what the line names next: brass where it is the one thing to do. */
function NextButton({ first }: { first: boolean }) {
  const words = useSelect((state) => {
    const view = jobView(state)
    return view && nextWords(view)
  })
  const { run } = useCommander()
  if (!words) return null
  return (
    <Button
      tone={first ? 'act' : 'line'}
      big
      className={clsx('max-md:grow', first ? '' : 'px-4 text-base font-normal')}
      onClick={() => run('bench.next')}
    >
      {words}
    </Button>
  )
}
