/** What a thread is asked, and what it answers. */
export interface Asking {
  what: 'even' | 'pair' | 'plan' | 'measure'
  bytes: Uint8Array
  query: Record<string, string>
}

export interface Answer {
  status: number
  body: object
}
