import type { Asked } from "./builtChoices";
import { CHOICE_DRAWINGS } from "./choiceDrawings";

/** One question of a description: each answer drawn, one key each way; pressed again it is not known. */
export function ChoiceTiles({
  asked,
  said,
  wanted,
  disabled,
  onSay,
}: {
  asked: Asked;
  said: string;
  /** Whether it matters and nobody has said it. */
  wanted: boolean;
  disabled: boolean;
  onSay: (value: string) => void;
}) {
  const drawn = asked.answers.some(({ value }) => CHOICE_DRAWINGS[`${asked.field} ${value}`]);
  return (
    <fieldset className="min-w-0 border-t border-line py-2" data-field={asked.field}>
      <legend className="float-left mr-3 w-52 py-2 font-semibold max-sm:float-none max-sm:w-full">
        {asked.label}
        {!said && (
          <span className={`block text-[15px] font-normal ${wanted ? "text-blue" : "text-quiet"}`}>
            {wanted ? "asked: not known" : "not known"}
          </span>
        )}
      </legend>
      <div className="flex flex-wrap gap-2">
        {asked.answers.map(({ value, label }) => {
          const drawing = CHOICE_DRAWINGS[`${asked.field} ${value}`];
          const chosen = said === value;
          return (
            <button
              key={value}
              type="button"
              aria-pressed={chosen}
              disabled={disabled}
              onClick={() => onSay(chosen ? "" : value)}
              className={`flex min-h-11 items-center gap-2 rounded-tool border-2 px-2 text-left leading-tight disabled:text-quiet ${drawn ? "w-44 max-sm:w-[calc(50%-4px)]" : "min-w-14 justify-center px-4"} ${chosen ? "border-blue bg-blue font-semibold text-onblue" : "border-line bg-sheet hover:bg-tint"}`}
            >
              {drawing && (
                <svg
                  width={44}
                  height={30}
                  viewBox="0 0 44 30"
                  aria-hidden="true"
                  className="shrink-0 fill-none stroke-current [stroke-width:1.6]"
                >
                  <path d={drawing} />
                </svg>
              )}
              {label}
            </button>
          );
        })}
      </div>
    </fieldset>
  );
}
