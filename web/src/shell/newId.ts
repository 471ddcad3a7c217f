import { v4 } from 'uuid';

/**
 * A new id for something that is recorded on this device, so that the server stores it once.
 * Made from `getRandomValues`: `crypto.randomUUID` exists over https and on the machine itself
 * only, and a telephone in the workshop often has neither.
 */
export const newId = (): string => v4({ rng: () => crypto.getRandomValues(new Uint8Array(16)) });
