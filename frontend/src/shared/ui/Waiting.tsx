/** Over the foot of the page while a view is waited for that could not be fetched. */
import { useAway } from "../later";

export function Waiting() {
  const away = useAway((state) => state.away);
  if (!away) return null;
  return (
    <p
      role="alert"
      className="fixed inset-x-3 bottom-3 z-50 mx-auto w-fit rounded-box border border-(--edge) bg-base-100 px-3 py-1.5 text-base-content shadow-lg"
    >
      Curlet cannot be reached. What you asked for is shown once it can.
    </p>
  );
}
