/** Chapters of the Handbook, in the order in which they are listed. */
export const CHAPTERS = {
  order: 'The order of work',
  schools: 'Schools',
  trouble: 'Trouble by words',
  learning: 'Learning to hear',
  words: 'Words',
  numbers: 'Numbers',
  limits: 'What the tool cannot',
  tool: 'The tool itself',
  cautions: 'Cautions',
} as const

export type ChapterId = keyof typeof CHAPTERS

/** What is known of an entry without its text. */
export interface Entry {
  title: string
  chapter: ChapterId
  /** Entries to read next. */
  see: readonly string[]
}
