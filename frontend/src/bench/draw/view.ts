/** How the drawing board looks at the cell. */

/** Pixels to the mm, and where the cell's start on its baseline lies. */
export interface View {
  zoom: number;
  x: number;
  y: number;
}
