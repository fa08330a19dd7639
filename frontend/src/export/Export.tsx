/** Export: what, as what, and how fine; with what will not print. */
import { useEffect, useRef, useState } from "react";

import { Choice } from "@/shared/ui/Choice";
import { useChosen, useSheetSession } from "@/table/sheet";
import { tableState } from "@/table/state";

import {
  addressOf,
  AS,
  type As,
  isOutline,
  isWhole,
  isTile,
  TILES,
  type Made,
  shortly,
  useMeant,
  USUALLY,
  type What,
} from "./asked";
import { useMerged } from "./merged";
import { ExportFile } from "./ExportFile";
import { Facts } from "./Facts";
import { Fields, plain } from "./Fields";
import { OutlineFacts, OutlineFields, OutlinePicture, USUAL, useOutline } from "./Outline";
import { type Corner, HIGH, Preview, type View, WIDE } from "./Preview";
import { TileFields, TilePicture, USUAL_TILE } from "./Tile";
import { type FineShown, useFacts } from "./useFacts";

const MM_PER_INCH = 25.4;
const TILE_WORDS = { "tile.png": "Export the tile", "textures.zip": "Export the textures" };

export function Export() {
  const session = useSheetSession();
  const dialog = useRef<HTMLDialogElement>(null);
  const { options, meant: meantBy } = useMeant();
  const [what, setWhat] = useState<What>("sheet");
  const [as, setAs] = useState<As>("svg");
  const [entered, setMade] = useMerged<Made>(USUALLY);
  const [asked, setAsked] = useMerged(USUAL);
  const [view, setView] = useState<View>("whole");
  const [corner, setCorner] = useState<Corner>({ x: 0, y: 0 });
  useEffect(() => dialog.current!.showModal(), []);

  const { run } = useChosen();
  const [tile, setTile] = useMerged(USUAL_TILE);

  const meant = meantBy(what);
  // Other sheets come after all of this one alone.
  const made = isWhole(meant) ? entered : { ...entered, also: "" };
  const form = isOutline(as) || isTile(as) ? "svg" : as;
  const isDrawn = !isOutline(as) && !isTile(as);
  const { data: found, error } = useFacts(form, meant, made, isDrawn);
  const outline = useOutline({ meant, asked, wanted: isOutline(as) });
  const look = (note: FineShown) => {
    const per = Number(made.ppi) / MM_PER_INCH;
    setCorner({ x: (note.x - found!.left_mm) * per - WIDE / 2, y: (note.y - found!.top_mm) * per - HIGH / 2 });
    setView("pixels");
  };
  return (
    <dialog
      ref={dialog}
      aria-labelledby="export-title"
      className="m-auto w-[940px] rounded-box border border-base-300 bg-base-100 p-0 text-base-content backdrop:bg-black/40"
      onClose={() => tableState().set({ exporting: false })}
    >
      <div className="flex h-[600px] max-h-[92vh]">
        <div className="flex w-[360px] shrink-0 flex-col">
          <div className="flex-1 overflow-y-auto p-4 pb-2">
            <h2 id="export-title" className="text-[18px] font-bold">
              Export
            </h2>
            {!isTile(as) && (
              <>
                <h3 className="mt-2 mb-1 text-[12px] font-bold">What</h3>
                <Choice label="What" options={options} value={what} onChange={setWhat} />
              </>
            )}
            <h3 className="mt-3 mb-1 text-[12px] font-bold">As</h3>
            <Choice label="As" options={run ? [...AS, ...TILES] : AS} value={as} onChange={setAs} />
            <div className="mt-3">
              {isTile(as) ? (
                <TileFields run={run!.id} as={as} asked={tile} onChange={setTile} />
              ) : isOutline(as) ? (
                <OutlineFields meant={meant} asked={asked} dxf={as === "outline.dxf"} onChange={setAsked} />
              ) : (
                <Fields as={as} meant={meant} made={made} onChange={setMade} />
              )}
            </div>
            {isOutline(as) && <OutlineFacts {...outline} />}
            {isDrawn && error && (
              <p role="alert" className="mt-3">
                {error.message}
              </p>
            )}
            {!isOutline(as) && !isTile(as) && found && !error && (
              <Facts as={as} meant={meant} made={made} found={found} onShow={look} />
            )}
          </div>
          <div className="flex flex-wrap gap-2 border-t border-base-300 p-4 py-3">
            <ExportFile
              address={
                isTile(as)
                  ? addressOf(session.id, `runs/${run!.id}/${as}`, { ...tile })
                  : isOutline(as)
                    ? addressOf(session.id, as, { ...meant, ...asked })
                    : addressOf(session.id, `export.${as}`, { ...meant, ...plain(made) })
              }
              words={isTile(as) ? TILE_WORDS[as] : isOutline(as) ? `Export the outline` : `Export ${shortly(as)}`}
            />
            <button
              className="cursor-pointer rounded-field border border-(--edge) px-3 py-1 hover:border-base-content"
              onClick={() => dialog.current!.close()}
            >
              Back to the Table
            </button>
          </div>
        </div>
        <figure className="flex min-w-0 flex-1 flex-col items-center border-l border-base-300 bg-base-200 p-4">
          {isTile(as) ? (
            <TilePicture run={run!.id} as={as} asked={tile} />
          ) : isOutline(as) ? (
            <OutlinePicture {...outline} />
          ) : (
            <Preview
              as={as}
              meant={meant}
              made={made}
              found={found}
              view={view}
              corner={corner}
              onView={setView}
              onCorner={setCorner}
            />
          )}
        </figure>
      </div>
    </dialog>
  );
}
