/**
 * Where people start a head from (common practice, no source): four schools, each with its own pull above just touching
 * and its own hidden errors of the rods, in turns with one standard error. The words are the trade's; the widths are
 * judgements, since nobody has published any.
 */
export interface SlackSchool {
  label: string
  how: string
  /** Pull of the mean rod above just touching, and how much that varies. */
  turns: number
  turnsError: number
  /** How far single rods lie from their mean. */
  rodError: number
}

const SCHOOLS = {
  fingers: {
    label: 'as tight as fingers go',
    how: 'Turn every rod by hand until it stops. Threads of unequal friction stop at unequal pulls.',
    ...{ turns: 0.07, turnsError: 0.05, rodError: 0.09 },
  },
  meets: {
    label: 'rod meets the hoop',
    how: 'Stop where the rod’s head just meets the hoop, and add a trace.',
    ...{ turns: 0.03, turnsError: 0.03, rodError: 0.06 },
  },
  rattle: {
    label: 'until it stops rattling',
    how: 'Wiggle each rod in the hoop and stop as soon as it no longer rattles: finger torque is no measure.',
    ...{ turns: 0.02, turnsError: 0.03, rodError: 0.05 },
  },
  ear: {
    label: 'fingers, then low ones up by ear',
    how: 'Finger-tight first; then bring the lower-sounding lugs up to the highest.',
    ...{ turns: 0.1, turnsError: 0.06, rodError: 0.04 },
  },
} as const satisfies Record<string, SlackSchool>

export type SlackSchoolId = keyof typeof SCHOOLS
export const SLACK_SCHOOLS: Record<SlackSchoolId, SlackSchool> = SCHOOLS
export const SLACK_SCHOOL_IDS = Object.keys(SCHOOLS) as [SlackSchoolId, ...SlackSchoolId[]]
