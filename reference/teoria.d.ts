/** What the tests use of the package teoria, which ships no types. */
declare module 'teoria' {
  export function note(name: string): { fq(): number; midi(): number }
}
