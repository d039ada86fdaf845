'use client'

import { createElement, lazy, Suspense, type ComponentType } from 'react'
import type { EntryId } from './entries'
import { PARTS } from './parts'

type Text = ComponentType<{ components: typeof PARTS }>

const texts = new Map<EntryId, Text>()

/** Each text is loaded when it is first opened. */
function textOf(id: EntryId): Text {
  let text = texts.get(id)
  if (!text) {
    text = lazy(() => import(`./entries/${id}.mdx`) as Promise<{ default: Text }>)
    texts.set(id, text)
  }
  return text
}

/** The text of an entry, its charts with it: one component an entry, kept in the map above. */
export function EntryText({ id }: { id: EntryId }) {
  return (
    <Suspense fallback={<p className="text-soft">Opening…</p>}>
      {createElement(textOf(id), { components: PARTS })}
    </Suspense>
  )
}
