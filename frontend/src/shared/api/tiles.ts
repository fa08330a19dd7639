/** Seamless tiles of runs' brushes. */
import { client, exact } from "./request";

/** How a tile is made, as it is entered; no spacing for one that repeats along itself only, no cloth for one on nothing. */
export interface TileAsked {
  texel: string;
  spacing: string;
  cloth: string;
}

export const tiles = {
  /** What a tile would come to, as a picture or as textures. */
  facts: (sheet_id: string, run_id: string, textures: boolean, asked: TileAsked) =>
    exact<"TileShown">(
      client.GET("/api/sheets/{sheet_id}/runs/{run_id}/tile.json", {
        params: { path: { sheet_id, run_id }, query: { textures, ...asked } },
      }),
    ),
};
