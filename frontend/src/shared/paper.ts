/** The id of the element that the sheet is drawn in. */
export const PAPER = "paper";
