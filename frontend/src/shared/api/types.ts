/** Short names for the generated types. */
import type { components } from "./schema";

type Schemas = components["schemas"];

export type SheetFrame = Schemas["SheetFrame"];
export type PathShown = Schemas["PathShown"];
export type RunShown = Schemas["RunShown"];
export type LegShown = Schemas["LegShown"];
export type CornerShown = Schemas["CornerShown"];
export type WarningShown = Schemas["WarningShown"];
export type BrushShown = Schemas["BrushShown"];
export type GroupShown = Schemas["GroupShown"];
export type ShapeShown = Schemas["ShapeShown"];
export type StampsShown = Schemas["StampsShown"];
export type AskedLength = Schemas["AskedLength"];
export type Lengths = Schemas["Lengths"];
export type NodeDoc = Schemas["NodeDoc"];
export type Intent = Schemas["Command"]["intent"];
export type Problem = Schemas["Problem"];
export type SendOutFacts = Schemas["SendOutFacts"];
export type CrossingShown = Schemas["CrossingShown"];
export type PinchShown = Schemas["PinchShown"];
export type RowDoc = Schemas["RowDoc"];
export type SwayDoc = Schemas["SwayDoc"];
export type PlacesDoc = Schemas["PlacesDoc"];
