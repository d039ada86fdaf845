'use client'

import type { SourceOfOwn } from '@/session/actions/kits'

const OTHERS: ReadonlyArray<{ source: SourceOfOwn; label: string; says: string }> = [
  { source: 'file', label: 'recording', says: 'taps in a file' },
  { source: 'typed', label: 'typed', says: 'Hz or notes' },
  { source: 'ear', label: 'ear', says: 'match a tone' },
  { source: 'gauge', label: 'gauge', says: 'tension, silent' },
]

/** One question, asked once: where readings come from. Its answer makes the kit and goes to the first head. */
export function SourceFoot({
  first,
  onBegin,
}: {
  first: string | null
  onBegin: (source: SourceOfOwn) => void
}) {
  const off = first === null
  return (
    <section
      aria-label="Where do readings come from?"
      className="border-t border-line px-5 py-4 md:flex md:items-center md:gap-6 md:px-7 md:py-6"
    >
      <h2 className="text-2xl leading-tight font-light text-soft md:text-3xl">
        Where do <b className="font-bold text-ink">readings</b> <br className="max-md:hidden" />
        come from?
      </h2>
      <div className="flex flex-1 flex-col-reverse gap-3 max-md:mt-3 md:flex-row md:items-center">
        <button
          id="first-source"
          type="button"
          disabled={off}
          onClick={() => onBegin('microphone')}
          className="min-h-20 rounded-sm bg-act px-6 py-2 text-on-act disabled:opacity-45 md:min-w-64 forced-colors:border-4"
        >
          <span className="block text-3xl font-bold">microphone</span>
          <span className="block text-base">{first ? `and tap ${first}` : 'and tap'}</span>
        </button>
        <div className="grid grid-cols-4 gap-2 md:flex md:flex-1 md:gap-3">
          {OTHERS.map(({ source, label, says }) => (
            <button
              key={source}
              type="button"
              disabled={off}
              onClick={() => onBegin(source)}
              className="min-h-12 rounded-sm border border-soft/60 px-1 py-2 disabled:opacity-45 md:flex-1 md:px-3"
            >
              <span className="block text-base md:text-lg">{label}</span>
              <span className="block text-sm leading-tight text-soft max-md:hidden">{says}</span>
            </button>
          ))}
        </div>
      </div>
    </section>
  )
}
