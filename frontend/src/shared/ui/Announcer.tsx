/** The page's live region. */
import { useAnnounced } from "../announce";

export function Announcer() {
  const { text, turn } = useAnnounced();
  return (
    <div aria-live="polite" className="sr-only" data-testid="announced">
      {/* A new element each time, so that the same words are spoken again. */}
      <span key={turn}>{text}</span>
    </div>
  );
}
