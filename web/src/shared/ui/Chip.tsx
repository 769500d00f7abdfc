import type { ButtonHTMLAttributes } from "react";

interface Props extends Omit<ButtonHTMLAttributes<HTMLButtonElement>, "type"> {
  chosen: boolean;
  /** The key that chooses it, shown on it. */
  letter?: string;
}

/** An answer of one key: pressed it is chosen, pressed again it is not. */
export function Chip({ chosen, letter, children, className = "", ...rest }: Props) {
  return (
    <button
      type="button"
      aria-pressed={chosen}
      className={`inline-flex min-h-11 items-center gap-2 rounded-tool border-2 px-3 disabled:text-quiet ${chosen ? "border-blue bg-blue font-semibold text-onblue" : "border-line bg-sheet hover:bg-tint"} ${className}`}
      {...rest}
    >
      {letter && (
        <kbd className={`figure border px-1 text-sm ${chosen ? "border-onblue" : "border-line text-quiet"}`}>
          {letter}
        </kbd>
      )}
      {children}
    </button>
  );
}
