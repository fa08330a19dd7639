/** A brush drawn straight on what shows it best, one common scale for all. */
import { LaterImage } from "@/shared/ui/LaterImage";

export function Strip({ src }: { src: string }) {
  return (
    <LaterImage
      src={`${src}&line=true&background=true`}
      alt=""
      draggable={false}
      className="block aspect-12 w-full rounded-[3px] object-cover object-left"
    />
  );
}
