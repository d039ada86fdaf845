import { PLAIN_LOOK, type MapLook } from '@/charts/mapLook'
import { useBenchView } from '@/session/benchReact'
import { useSelect } from '@/session/react'

/** How the head on the Bench is looked at: by the drum's badge, the drummer's hand, and whether one looks through the drum. */
export function useMapLook(): MapLook {
  const left = useSelect((state) => state.settings.hand === 'left')
  const view = useBenchView()
  if (!view) return PLAIN_LOOK
  const through = view.side === 'resonant' && view.drum.seenThrough === true
  return { mirrored: left !== through, badgeAtLug: view.drum.badgeAtLug === true }
}

/** How it is said of a picture: "seen from outside, badge at the top". */
export const lookText = ({ mirrored, badgeAtLug }: MapLook) =>
  `${mirrored ? 'lugs anticlockwise' : 'seen from outside'}, badge ${badgeAtLug ? 'at lug 1, ' : ''}at the top`
