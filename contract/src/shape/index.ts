/** An outline to be written as a file at 1:1, mm. */
export interface OutlineFileInput {
  as: 'dxf' | 'dxf-r12' | 'pdf-a4' | 'pdf-letter';
  title: string;
  /** Closed outlines that are cut. */
  cut: [number, number][][];
  /** Bend lines, slits and arrows. */
  mark: [number, number][][];
}
