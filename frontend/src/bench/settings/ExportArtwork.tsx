/** The artwork at a place as an SVG file, to be changed elsewhere and imported again. */
import { type Place, useBench } from "../bench";

export function ExportArtwork({ place }: { place: Place }) {
  const brush = useBench((state) => state.brush!.id);
  const course = useBench((state) => state.course);
  return (
    <a
      className="min-h-6 cursor-pointer rounded-field border border-(--edge) bg-base-200 px-2 py-0.5 text-[12px] hover:border-base-content"
      href={`/api/brushes/${brush}/artwork.svg?course=${course}&place=${place}`}
      download
    >
      Export (SVG)
    </a>
  );
}
