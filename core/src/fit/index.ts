export { trim, type Trim, type TrimInput } from './trim.ts';
