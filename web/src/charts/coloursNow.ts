import { readTokens } from '../kit/tokens.ts';
import type { Colours } from './optionOf.ts';

/** The colours of the look as it is now; undefined where the page has no styles. */
export const coloursNow = (): Colours | undefined => readTokens();
