/** The colourways of a sheet: which is shown, and what is done with that one. */
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";
import { Choice } from "@/shared/ui/Choice";
import { NameField } from "@/shared/ui/NameField";

import { useFrame, useSheetSession } from "../sheet";

export function Colourways() {
  const session = useSheetSession();
  const { colourways } = useFrame("colourways");
  const shown = colourways.find((way) => way.shown);
  return (
    <>
      <Heading>Colourway</Heading>
      {colourways.length > 1 && <Switch />}
      {shown && (
        <div className="mt-1.5 flex items-center gap-2">
          <span className="shrink-0">Name</span>
          <NameField
            label="Name of the colourway"
            value={shown.name}
            onKeep={(name) => void session.command({ kind: "rename-colourway", colourway: shown.id, name })}
          />
        </div>
      )}
      <div className="mt-1.5 flex flex-wrap gap-1">
        <QuietButton onClick={() => session.command({ kind: "add-colourway" })}>Add one as a copy</QuietButton>
        {shown && colourways.length > 1 && (
          <QuietButton onClick={() => session.command({ kind: "remove-colourway", colourway: shown.id })}>
            Remove this one
          </QuietButton>
        )}
      </div>
    </>
  );
}

/** Show another colourway. */
export function Switch() {
  const session = useSheetSession();
  const { colourways } = useFrame("colourways");
  return (
    <Choice
      label="Colourway"
      options={colourways.map((way) => [way.id, way.name] as const)}
      value={colourways.find((way) => way.shown)?.id ?? ""}
      onChange={(colourway) => void session.command({ kind: "show-colourway", colourway })}
    />
  );
}
