/** Artwork for one place of a row: its start, end, corners, or where it closes. */
import { mmText, NumberRow, Tick } from "@/shared/maker/fields";
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";
import { useMaker, useRow } from "@/shared/maker/maker";

import { useBench, useWorkbench } from "../bench";
import { FromPicture } from "../trace/FromPicture";
import { ExportArtwork } from "./ExportArtwork";
import { KeepMotif, TakeMotif } from "./KeptMotifs";
import { TakeArtwork } from "./TakeArtwork";
import { FamilyChoice, FamilySettings } from "./FamilySettings";

const PLACES = {
  start: "Start piece",
  end: "End piece",
  corner_outside: "Corner piece, to the right",
  corner_inside: "Corner piece, to the left",
  join: "Join piece",
} as const;

type Place = keyof typeof PLACES;

export function ThisPiece() {
  const workbench = useWorkbench();
  const { course } = useMaker();
  const place = useRow();
  const name = useBench((state) => state.place) as Place;
  if (!place)
    return (
      <p className="muted mt-2">Only a row of repeats has pieces at its ends and corners. Choose a row on the left.</p>
    );
  const piece = place.row.pieces?.[name] ?? null;
  const base = place.at(`pieces/${name}`);
  const corner = name.startsWith("corner");
  return (
    <>
      <Heading>{PLACES[name]}</Heading>
      <p className="muted mb-1 text-[12px]">
        To work on another piece, press it on the sample at the foot of the board.
      </p>
      <FamilyChoice
        label="Family of the piece"
        family={piece?.motif.family ?? null}
        pieces
        none="None"
        onChange={(family) => void workbench.make({ kind: "set-piece", course, place: name, family: family || null })}
      />
      <div className="mt-1.5 flex flex-wrap gap-1">
        {piece && piece.motif.family !== "picture" && (
          <>
            <QuietButton onClick={() => workbench.draw(name)}>Draw on it</QuietButton>
            <ExportArtwork place={name} />
          </>
        )}
        <TakeArtwork place={name} />
        <FromPicture place={name} />
        <TakeMotif place={name} />
        {piece && <KeepMotif place={name} />}
      </div>
      {piece ? (
        <>
          <FamilySettings base={`${base}/motif`} motif={piece.motif} />
          <Heading>Its room</Heading>
          <NumberRow
            label={corner ? "Reach along each leg" : "Length"}
            pointer={`${base}/length`}
            value={mmText(piece.length)}
            step={0.5}
          />
          {!corner && name !== "join" && (
            <Tick label="Within the path’s end" pointer={`${base}/within`} value={piece.within!} />
          )}
        </>
      ) : (
        <p className="muted mt-2 text-[12px]">
          {corner
            ? "No artwork of its own: the corner is made from the repeat, as the whole brush says."
            : name === "join"
              ? "Nothing marks the closing of a closed path: repeats meet there."
              : "Nothing of its own here: the row begins and ends with its repeats."}
        </p>
      )}
    </>
  );
}
