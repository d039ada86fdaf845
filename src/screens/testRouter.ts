/** Where a shown place asked to go, newest last: the stand-in for the router in tests (`testSetup.ts`). */
export const pushed: string[] = []
/** The place that is shown. */
export const place = { path: '/' }
