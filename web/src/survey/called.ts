/** Share of a sheet that must be certain before it is called; common practice, no published source. */
export const CALLED = 0.9;
