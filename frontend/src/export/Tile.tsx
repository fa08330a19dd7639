/** A seamless tile of a run's brush, or textures of it for 3-D cloth: how it is made, what it comes to, and how it looks
 * once it repeats. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";

import { tiles, type TileAsked } from "@/shared/api/tiles";
import { NumberLine } from "@/shared/ui/NumberLine";
import { PickLine } from "@/shared/ui/PickLine";
import { Tick } from "@/shared/ui/Tick";
import { useLength } from "@/shared/ui/unit";
import { useFrame, useSheetSession } from "@/table/sheet";

import { addressOf, type TileId } from "./asked";
import { justEntered } from "./merged";

export const USUAL_TILE: TileAsked = { texel: "0.1 mm", spacing: "", cloth: "" };
/** The spacing that is proposed first. */
const ROWS = "10 mm";

interface Props {
  run: string;
  as: TileId;
  asked: TileAsked;
  onChange: (values: Partial<TileAsked>) => void;
}

const useTile = ({ run, as, asked }: Omit<Props, "onChange">) => {
  const session = useSheetSession();
  const { revision } = useFrame("revision");
  return useQuery({
    queryKey: ["tile", session.id, revision, run, as, asked],
    queryFn: () => tiles.facts(session.id, run, as === "textures.zip", asked),
    retry: false,
    placeholderData: keepPreviousData,
  });
};

export function TileFields({ run, as, asked, onChange }: Props) {
  const session = useSheetSession();
  const { bare, text } = useLength();
  const { data } = useTile({ run, as, asked });
  const enter = async (values: Partial<TileAsked>) => {
    const next = { ...asked, ...values };
    try {
      const { entered } = await tiles.facts(session.id, run, as === "textures.zip", next);
      onChange(justEntered<TileAsked>(entered, values));
      return null;
    } catch (error) {
      return (error as Error).message;
    }
  };
  return (
    <>
      <p className="muted">The chosen run’s brush as it repeats, as large as on the garment.</p>
      <NumberLine label="A texel is about" value={asked.texel} step={0.05} onCommit={(texel) => enter({ texel })} />
      <Tick
        label="Repeats downward too"
        on={asked.spacing !== ""}
        onChange={(on) => void enter(on ? { spacing: ROWS } : { spacing: "", cloth: "" })}
      />
      {asked.spacing !== "" && (
        <>
          <NumberLine
            label="From row to row"
            value={asked.spacing}
            step={1}
            onCommit={(spacing) => enter({ spacing })}
          />
          {/* A cloth that has gone meanwhile can be let go of. */}
          {(data?.cloths.length || asked.cloth) && (
            <PickLine
              label="Cloth under it"
              value={asked.cloth}
              onPick={(cloth) => onChange({ cloth })}
              options={[
                { id: "", label: "none" },
                ...(data?.cloths.map(({ id, name }) => ({ id, label: name })) ?? []),
                ...(asked.cloth && !data?.cloths.some(({ id }) => id === asked.cloth)
                  ? [{ id: asked.cloth, label: "the one chosen" }]
                  : []),
              ]}
            />
          )}
        </>
      )}
      {data && (
        <>
          <p className="mt-3">
            <span className="measure">{`${bare(data.width, 2)} × ${text(data.height, 2)}`}</span>
            <br />
            <span className="measure">{`${data.across.toLocaleString("en")} × ${data.down.toLocaleString("en")} pixels`}</span>
          </p>
          {data.notes.map((note) => (
            <p key={note} className="mt-1 border-l-4 border-accent px-2">
              {note}
            </p>
          ))}
        </>
      )}
      {as === "textures.zip" && (
        <p className="muted mt-2 text-[12px]">
          A zip with colour, height, normals for OpenGL and for DirectX, roughness, and a file that says their size.
        </p>
      )}
    </>
  );
}

/** The tile beside and below itself, at the screen's own pixels. */
export function TilePicture({ run, as, asked }: Omit<Props, "onChange">) {
  const session = useSheetSession();
  const { sheet } = useFrame("sheet");
  const { data, error } = useTile({ run, as, asked });
  const [shown, setShown] = useState("");
  const address = addressOf(session.id, `runs/${run}/tile.png`, { ...asked, lit: as === "tile.png" });
  if (error)
    return (
      <p role="alert" className="m-auto max-w-[40ch]">
        {error.message}
      </p>
    );
  const repeat = asked.spacing === "" ? "repeat-x" : "repeat";
  return (
    <>
      {/* It is shown once it is there. */}
      <img src={address} alt="" className="hidden" onLoad={() => setShown(address)} />
      <div
        role="img"
        aria-label={`The tile, repeated, on ${sheet.name}`}
        data-testid="tile"
        data-shown={shown === address || undefined}
        className="w-full flex-1 rounded-box border border-base-300"
        style={{
          backgroundColor: "var(--cloth)",
          ...(shown &&
            data && {
              backgroundImage: `url("${shown}")`,
              backgroundRepeat: repeat,
              backgroundPosition: "left center",
              backgroundSize: `${data.across / devicePixelRatio}px ${data.down / devicePixelRatio}px`,
            }),
        }}
      />
      <figcaption className="muted mt-2 text-[12px]">Repeated, pixel for pixel</figcaption>
    </>
  );
}
