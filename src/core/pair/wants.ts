/** What of two heads may be wished for: exactly two of these, one on a drum of one head. */
export const WANT_KEYS = ['batterHz', 'resonantHz', 'centreHz', 'ratio', 'resonantAboveCents'] as const
export type WantKey = (typeof WANT_KEYS)[number]
