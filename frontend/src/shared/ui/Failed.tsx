/** What stands in a view's place when it fails: what happened, and the ways on. Nothing that was kept is lost. */
import type { FallbackProps } from "react-error-boundary";

export function Failed({ error, resetErrorBoundary }: FallbackProps) {
  return (
    <main role="alert" className="grid h-full place-items-center bg-base-200">
      <div className="max-w-md p-6">
        <h1 className="text-[18px] font-bold">Something went wrong here</h1>
        <p className="mt-1">
          This view could not be drawn. What you did up to now is kept. Show it again, or go to your sheets; if it goes
          on, report this: <span className="measure">{error instanceof Error ? error.message : String(error)}</span>
        </p>
        <p className="mt-3 flex gap-2">
          <button
            className="cursor-pointer rounded-field bg-primary px-3 py-1 font-semibold text-primary-content"
            onClick={resetErrorBoundary}
          >
            Show it again
          </button>
          <a className="rounded-field border border-(--edge) bg-base-100 px-3 py-1 hover:border-base-content" href="/">
            All sheets
          </a>
        </p>
      </div>
    </main>
  );
}
