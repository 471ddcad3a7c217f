/** Told now and then how far a long calculation has come, 0 to 1. Throwing from it stops the calculation. */
export type Watch = (share: number) => void;
