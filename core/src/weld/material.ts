/** Heat in a sheet: what it conducts, weighs and holds. */
export interface SheetMaterial {
  /** W/(m·K) */
  conductivity: number;
  /** kg/m³ */
  density: number;
  /** J/(kg·K) */
  heat: number;
}

/** Low-carbon steel between 20 and 300 °C; round handbook figures *(memory)*. */
export const mildSteel: SheetMaterial = { conductivity: 50, density: 7850, heat: 490 };

/** What a sheet can be made of where it is welded: bare steel, steel with a zinc coat, stainless steel, aluminium. */
export type WeldMaterial = 'steel' | 'zinc' | 'stainless' | 'aluminium';

/** Materials by name; round handbook figures between 20 and 300 °C, and where they melt, °C *(memory)*. */
export const MATERIALS: Readonly<Record<WeldMaterial, SheetMaterial & { name: string; melts: number }>> = {
  steel: { ...mildSteel, name: 'steel', melts: 1500 },
  zinc: { ...mildSteel, name: 'galvanised steel', melts: 1500 },
  stainless: { conductivity: 16, density: 7900, heat: 500, name: 'stainless steel', melts: 1400 },
  aluminium: { conductivity: 200, density: 2700, heat: 900, name: 'aluminium', melts: 640 },
};

/** W/(m²·K) on each face: still air and radiation near room temperature; common practice, no published source. */
export const STILL_AIR_FILM = 12;
