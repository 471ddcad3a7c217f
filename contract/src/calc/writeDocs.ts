import { writeFileSync } from 'node:fs';
import { methodsDoc } from './methodsDoc.ts';

/* Writes docs/methods.md from the catalogue. */
writeFileSync(new URL('../../../docs/methods.md', import.meta.url), methodsDoc());
