import type { Db } from './schema'

/** The sound of one reading: a whole WAV file. */
export interface StoredTake {
  reading: string
  kit: string
  wav: Uint8Array
}

export interface TakeStore {
  /** Writes takes; rejects when the disk is full. The readings themselves never depend on it. */
  write(takes: readonly StoredTake[]): Promise<void>
  ofKit(kit: string): Promise<StoredTake[]>
  get(reading: string): Promise<StoredTake | undefined>
  /** Number and bytes of a kit's takes. */
  sizeOf(kit: string): Promise<{ takes: number; bytes: number }>
  removeKit(kit: string): Promise<void>
}

export function takeStore(db: () => Promise<Db>): TakeStore {
  const ofKit = async (kit: string) => (await db()).getAllFromIndex('takes', 'kit', kit)
  return {
    async write(takes) {
      const tx = (await db()).transaction('takes', 'readwrite')
      await Promise.all(takes.map((take) => tx.store.put(take)))
      await tx.done
    },
    ofKit,
    get: async (reading) => (await db()).get('takes', reading),
    async sizeOf(kit) {
      const takes = await ofKit(kit)
      return { takes: takes.length, bytes: takes.reduce((sum, { wav }) => sum + wav.length, 0) }
    },
    async removeKit(kit) {
      const tx = (await db()).transaction('takes', 'readwrite')
      const keys = await tx.store.index('kit').getAllKeys(kit)
      await Promise.all(keys.map((key) => tx.store.delete(key)))
      await tx.done
    },
  }
}
