/** A picture imported, to be traced or used as it is. */
import { bench, type Place } from "../bench";
import { FileButton } from "@/shared/ui/FileButton";
import { takePicture } from "./tracer";

export function FromPicture({ place }: { place: Place }) {
  const take = (file: File) => takePicture(file, place).catch((error: Error) => bench().set({ notice: error.message }));
  return (
    <FileButton
      label="Picture for the Bench"
      accept="image/png,image/jpeg,image/webp"
      onFile={(file) => void take(file)}
    >
      From a picture
    </FileButton>
  );
}
