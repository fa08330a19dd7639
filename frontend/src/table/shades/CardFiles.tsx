/** Shades from files and pictures, and the card as a file. */
import { CHOICES } from "@/shared/api/choices";
import { Heading } from "@/shared/maker/Heading";
import { QuietButton } from "@/shared/maker/QuietButton";
import { FileButton } from "@/shared/ui/FileButton";

import { useFrame, useSheetSession } from "../sheet";

export function CardFiles() {
  const session = useSheetSession();
  const { guides, shades } = useFrame("guides", "shades");
  return (
    <>
      <Heading>Import and export</Heading>
      <div className="flex flex-wrap gap-1">
        <FileButton
          label="File or picture to take shades from"
          accept=".json,.tokens,.css,.png,.jpg,.jpeg,.webp"
          onFile={(file) => void session.importShades(file)}
        >
          Import shades from a file or a picture
        </FileButton>
        {guides.map((guide) => (
          <QuietButton key={guide.id} onClick={() => session.shadesOfGuide(guide.id)}>
            Make shades of {guide.name}
          </QuietButton>
        ))}
      </div>
      {shades.length > 0 && (
        <p className="mt-1.5 flex flex-wrap items-center gap-x-3">
          Export as
          {CHOICES.cards.map((card) => (
            <a
              key={card.id}
              className="grid min-h-6 items-center text-accent underline decoration-dotted underline-offset-2"
              href={`/api/sheets/${session.id}/shades.${card.id}`}
              download
            >
              {card.label}
            </a>
          ))}
        </p>
      )}
    </>
  );
}
