import type { EntityMetadata, DataSource } from 'typeorm';

/** What is left behind: rights of other people, and clocks that run. */
const LEFT_BEHIND = new Set(['guest', 'invitation', 'share_link', 'step_clock', 'gauge_hold']);
/** Above a car: found again in the house that takes it in, never taken along. */
const HOUSE = 'shop';

/** Rows of one kind that belong to a car, by what they hang on. */
export interface Kin {
  name: string;
  metadata: EntityMetadata;
  /** Columns that name the row of another kind. */
  links: { column: string; to: string }[];
}

/** Every kind of row that belongs to a car, those that others hang on first: found from the keys of the database's own layout. */
export function familyOf(db: DataSource): Kin[] {
  const all = db.entityMetadatas.map((metadata): Kin => ({
    name: metadata.tableName,
    metadata,
    links: metadata.foreignKeys.map((key) => ({
      column: key.columnNames[0]!,
      to: key.referencedEntityMetadata.tableName,
    })),
  }));
  const family = all.filter(({ name }) => name === 'vehicle');
  const names = new Set(['vehicle']);
  for (;;) {
    const next = all.filter(
      ({ name, links }) =>
        !names.has(name) &&
        !LEFT_BEHIND.has(name) &&
        links.some(({ to }) => names.has(to)) &&
        links.every(({ to }) => names.has(to) || to === HOUSE),
    );
    if (next.length === 0) return family;
    for (const kin of next) {
      names.add(kin.name);
      family.push(kin);
    }
  }
}
