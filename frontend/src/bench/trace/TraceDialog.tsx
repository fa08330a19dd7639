/** A picture traced: it on the left with its crop, what came of it over it, and what is asked on the right. */
import { useEffect, useRef, useState } from "react";

import { api } from "@/shared/api/client";
import { Choice } from "@/shared/ui/Choice";

import { useWorkbench } from "../bench";
import { PLACE_WORDS } from "../SampleStrip";
import { PictureView, type Seen } from "./PictureView";
import { TraceSettings } from "./TraceSettings";
import { leave, stop, useTracer } from "./tracer";

const SEEN: readonly (readonly [Seen, string])[] = [
  ["both", "Both"],
  ["picture", "Picture"],
  ["traced", "Traced"],
];

export function TraceDialog() {
  const picture = useTracer((state) => state.picture);
  const dialog = useRef<HTMLDialogElement>(null);
  const [seen, setSeen] = useState<Seen>("both");
  useEffect(() => {
    if (picture) dialog.current?.showModal();
    else dialog.current?.close();
  }, [picture]);
  return (
    <dialog
      ref={dialog}
      aria-labelledby="trace-title"
      className="m-auto h-[min(740px,94vh)] w-[min(1160px,94vw)] max-w-none rounded-box border border-base-300 bg-base-200 p-0 text-base-content backdrop:bg-black/40"
      onCancel={(event) => {
        event.preventDefault();
        leave();
      }}
    >
      {picture && (
        <div className="grid h-full grid-cols-[minmax(0,1fr)_300px]">
          <div className="flex min-h-0 min-w-0 flex-col p-3">
            <div className="flex flex-wrap items-center gap-3">
              <h2 id="trace-title" className="max-w-[320px] truncate text-[18px] font-bold">
                {picture.name}
              </h2>
              <span className="measure muted">
                {picture.columns} × {picture.rows} pixels{picture.smaller ? ", made smaller" : ""}
              </span>
              <span className="ml-auto">
                <Choice label="What is seen" options={SEEN} value={seen} onChange={setSeen} />
              </span>
            </div>
            <PictureView seen={seen} />
            <Progress />
          </div>
          <div className="flex min-h-0 flex-col border-l border-base-300 bg-base-100">
            <TraceSettings />
            <Use />
          </div>
        </div>
      )}
    </dialog>
  );
}

function Progress() {
  const shown = useTracer((state) => state.shown);
  const fault = useTracer((state) => state.fault);
  if (fault) {
    return (
      <p role="alert" className="mt-2 min-h-7 text-error">
        {fault}
      </p>
    );
  }
  const traced = shown?.traced;
  if (shown && !shown.done) {
    return (
      <div className="mt-2 flex min-h-7 items-center gap-3">
        <progress className="progress w-[240px]" aria-label="Progress of the tracing" value={shown.share} max={1} />
        <span>{shown.doing}</span>
        <button
          className="cursor-pointer rounded-field border border-(--edge) px-2 py-0.5 hover:border-base-content"
          onClick={() => void stop()}
        >
          Stop
        </button>
      </div>
    );
  }
  return (
    <p className="mt-2 min-h-7" aria-live="polite" data-testid="traced">
      {traced ? (
        <>
          <span className="font-semibold">
            {traced.kept} of {traced.found} shapes kept
          </span>
          , {traced.points.toLocaleString("en")} points · a pixel is {Number(traced.pixel.toPrecision(2))} mm
          {traced.limited && <span className="text-error"> · the outline can be no truer than a third of that</span>}
        </>
      ) : shown ? (
        `${shown.doing}: change a setting to trace again`
      ) : (
        "Beginning"
      )}
    </p>
  );
}

function Use() {
  const workbench = useWorkbench();
  const picture = useTracer((state) => state.picture)!;
  const tracing = useTracer((state) => state.tracing);
  const asked = useTracer((state) => state.asked);
  const ready = useTracer((state) => Boolean(state.shown?.done && state.shown.traced && !state.fault));
  const { place } = picture;
  const words = PLACE_WORDS[place] ?? place;
  const traced = async () => {
    const wrong = await workbench.put((id, values) => api.useTracing(id, { ...values, place, tracing: tracing! }));
    if (!wrong) leave();
  };
  const asItIs = async () => {
    const wrong = await workbench.put((id, values) =>
      api.usePicture(id, { ...values, place, picture: picture.id, asked }),
    );
    if (!wrong) leave();
  };
  const quiet = "cursor-pointer rounded-field border border-(--edge) px-3 py-1 hover:border-base-content";
  return (
    <div className="flex flex-col gap-2 border-t border-base-300 p-3">
      <button
        className="cursor-pointer rounded-field bg-primary px-3 py-1 font-semibold text-primary-content hover:brightness-105 disabled:cursor-default disabled:opacity-50"
        disabled={!ready}
        onClick={() => void traced()}
      >
        Use the shapes as the {words}
      </button>
      <button
        className={quiet}
        title="It stays rigid along the path, and is exported at its pixels"
        onClick={() => void asItIs()}
      >
        Use the picture itself
      </button>
      <button className={quiet} onClick={leave}>
        Cancel
      </button>
    </div>
  );
}
