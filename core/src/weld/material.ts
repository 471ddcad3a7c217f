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

/** W/(m²·K) on each face: still air and radiation near room temperature; common practice, no published source. */
export const STILL_AIR_FILM = 12;
