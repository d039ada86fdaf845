/** An address that names a drum which is not in the kit on screen. */
export function elsewhereText(kit: { name: string; drum: string } | null, here: string | null): string {
  const stays = here ? ` The kit on screen is ${here}.` : ''
  return kit
    ? `This address is of ${kit.drum} in the kit ${kit.name}.${stays}`
    : `The drum of this address is in no kit on this device: it was removed, or the address comes from another device.${stays}`
}
