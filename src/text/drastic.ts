import { allRodsText } from './relation'
import type { Side } from '@/core/records/kit'

export const DRASTIC_CAUTION =
  'Eyes away from the rim. Stop where a rod resists or the maker’s limit is near. Lower heads may wrinkle: that is part of it.'

export const drasticRefusal =
  'No room for it: the head was not read yet, or it is too near slack or its limit.'

/** @param elsewhere the head on which it is under way */
export function drasticStartText(elsewhere: Side | null): string {
  return elsewhere
    ? `It is under way on the ${elsewhere} head: switch to it to go on.`
    : 'Read both heads first, and strike the centre as it is found. What the head does is drawn, and teaches the model.'
}

export function drasticWayText(up: number, down: number): string {
  return `All rods ${allRodsText(up)} from where it was, then ${allRodsText(-down)} from there. Listen for length, body and how far the note bends.`
}
