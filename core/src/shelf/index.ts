export { PACKS, SHELF_KINDS, shelf, type ShelfItem, type ShelfKind, type ShelfLine, type ShelfUse } from './shelf.ts';
