/** The mark of a setting that this run has for itself, and the way back to the brush's. */
import { ownOf, useMaker } from "./maker";

export function Own({ pointer, label }: { pointer: string; label: string }) {
  const settings = useMaker();
  if (!ownOf(settings, [pointer]).length) return null;
  return (
    <button
      className="ml-1 inline-grid size-6 cursor-pointer place-items-center rounded-full align-middle hover:bg-base-200"
      title={`${label}: this run’s own. Press to follow the brush again.`}
      aria-label={`${label} is this run’s own: follow the brush again`}
      onClick={() => settings.follow([pointer])}
    >
      <span aria-hidden className="size-2 rounded-full bg-base-content" />
    </button>
  );
}
