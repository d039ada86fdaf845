/** Version of the measuring, kept with every reading. By itself, so that who keeps readings need not load what measures. */
export const MEASUREMENT_VERSION = 'measure-3'
