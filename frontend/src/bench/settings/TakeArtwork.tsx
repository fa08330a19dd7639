/** An SVG drawing imported as the course's repeat, or as a piece. */
import { type Place, useWorkbench } from "../bench";
import { FileButton } from "@/shared/ui/FileButton";

export function TakeArtwork({ place = "repeat" }: { place?: Place }) {
  const workbench = useWorkbench();
  return (
    <FileButton
      label="Drawing for the Bench"
      accept=".svg,image/svg+xml"
      onFile={(file) => void workbench.takeArtwork(file, place)}
    >
      Import a drawing (SVG)
    </FileButton>
  );
}
