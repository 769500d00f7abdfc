import { Dialog as Radix } from "radix-ui";
import type { ReactNode } from "react";

interface Props {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  title: string;
  note?: string;
  wide?: boolean;
  children: ReactNode;
}

/** Where a page has an entry that readings go into, the keys go back to it. */
function backToEntry(event: Event) {
  const entry = document.querySelector<HTMLElement>("[data-entry]");
  if (!entry) return;
  event.preventDefault();
  entry.focus();
}

/** A sheet laid over the page. Escape or Close puts it away. */
export function Dialog({ open, onOpenChange, title, note, wide, children }: Props) {
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 bg-black/50" />
        <Radix.Content
          {...(note ? {} : { "aria-describedby": undefined })}
          onCloseAutoFocus={backToEntry}
          className={`fixed left-1/2 top-1/2 max-h-[92vh] w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-auto border-2 border-ink bg-sheet p-6 ${wide ? "max-w-4xl" : "max-w-lg"}`}
        >
          <div className="mb-3 flex items-start justify-between gap-4">
            <Radix.Title className="text-2xl font-semibold">{title}</Radix.Title>
            <Radix.Close className="min-h-11 px-3 font-semibold text-blue hover:bg-tint">Close</Radix.Close>
          </div>
          {note && <Radix.Description className="mb-4 text-quiet">{note}</Radix.Description>}
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
