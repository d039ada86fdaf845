/** What people say of the two heads' relation (common practice, no source); where they contradict each other both stand. */
export interface RelationSchool {
  id: 'alike' | 'higher' | 'lower'
  label: string
  says: string[]
}

export const RELATION_SCHOOLS: readonly RelationSchool[] = [
  {
    id: 'alike',
    label: 'both alike',
    says: ['The longest, roundest and thickest ring: the drum in tune with itself.'],
  },
  {
    id: 'higher',
    label: 'resonant higher',
    says: [
      'Shorter and more focused, bending upward, more control. A third is warm, a fourth usual on big stages, a fifth tight.',
      'Some hear more low end and size in it.',
    ],
  },
  {
    id: 'lower',
    label: 'resonant lower',
    says: [
      'A longer tone that bends down, more projection: it breathes.',
      'Others hear most attack and least ring.',
    ],
  },
]

/** Alike within this, in cents. */
const ALIKE_CENTS = 60

export function schoolOf(resonantAboveCents: number): RelationSchool {
  const at = Math.abs(resonantAboveCents) <= ALIKE_CENTS ? 0 : resonantAboveCents > 0 ? 1 : 2
  return RELATION_SCHOOLS[at]
}
