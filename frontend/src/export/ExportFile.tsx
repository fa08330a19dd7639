/** The button, and while the file is being made how far it is and a way to stop it. */
import { useSaving } from "@/shared/saving";
import { workWords } from "@/shared/work";

export function ExportFile({ address, words }: { address: string; words: string }) {
  const { address: making, work, said, save } = useSaving();
  return (
    <>
      <a
        className="rounded-field bg-primary px-3.5 py-1 font-semibold text-primary-content hover:brightness-105"
        href={address}
        download
        data-testid="export-file"
        onClick={(event) => {
          event.preventDefault();
          void save(address);
        }}
      >
        {making ? "Making the file …" : words}
      </a>
      {work && (
        <button
          className="cursor-pointer rounded-field border border-(--edge) px-3 py-1 hover:border-base-content"
          onClick={work.stop}
        >
          Stop
        </button>
      )}
      <p role="status" className="order-last basis-full text-[12px]">
        {work && workWords(work)}
      </p>
      {said && (
        <p role="alert" className="order-last basis-full text-[12px]">
          {said}
        </p>
      )}
    </>
  );
}
