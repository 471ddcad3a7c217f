import { createHash } from 'node:crypto';

/** What is kept of a secret that stands in an address: whoever reads the database cannot open it. */
export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');
