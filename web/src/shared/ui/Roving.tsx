import { type KeyboardEvent, type ReactNode, useEffect, useRef } from "react";

const STEPS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/** Answers to one question: one stop of the Tab key, arrows inside. */
export function Roving({ className, children }: { className: string; children: ReactNode }) {
  const group = useRef<HTMLDivElement>(null);
  const at = useRef(0);
  const buttons = () => [
    ...(group.current?.querySelectorAll<HTMLButtonElement>("button:not(:disabled)") ?? []),
  ];
  // After each drawing: what was drawn anew is out of the way of the Tab key but for one.
  useEffect(() => {
    buttons().forEach((one, n) => (one.tabIndex = n === Math.min(at.current, buttons().length - 1) ? 0 : -1));
  });
  const onKeyDown = (event: KeyboardEvent) => {
    const step = STEPS[event.key];
    const all = buttons();
    const from = all.indexOf(document.activeElement as HTMLButtonElement);
    const next = step === undefined || from < 0 ? undefined : all[(from + step + all.length) % all.length];
    if (!next) return;
    event.preventDefault();
    event.stopPropagation();
    at.current = all.indexOf(next);
    all.forEach((one) => (one.tabIndex = one === next ? 0 : -1));
    next.focus();
  };
  return (
    // eslint-disable-next-line jsx-a11y/no-static-element-interactions -- the keys are those of the buttons inside
    <div ref={group} className={className} onKeyDown={onKeyDown}>
      {children}
    </div>
  );
}
