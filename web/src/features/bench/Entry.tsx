import { type RefObject, type SyntheticEvent, useEffect, useState } from "react";

import { Link } from "react-router";

import type { Schemas } from "../../api";
import { placeWords, useStandings } from "../../shared/job";
import { Button } from "../../shared/ui";
import type { Desk } from "./useDesk";
import { Keypad } from "./Keypad";
import { PasteDialog } from "./PasteDialog";
import { type Pasted, pastedIn, valuesIn } from "./pasted";
import { useDraft } from "./useDraft";
import type { Parcel } from "./useReadings";

interface Props {
  desk: Desk;
  input: RefObject<HTMLInputElement | null>;
  /** The keypad stands below: the device's own keys stay away. */
  keypad: boolean;
}

/** The large entry: Enter lands the reading and moves on; Backspace on empty takes the last one back. */
export function Entry({ desk, input, keypad }: Props) {
  const { part, spot, text, question } = desk;
  const [pasted, setPasted] = useState<Pasted | null>(null);
  useEffect(() => {
    input.current?.focus();
    if (desk.select) input.current?.select();
  }, [desk.select, input, part.id, spot, question, desk.visits]);
  const submit = (event: SyntheticEvent) => {
    event.preventDefault();
    desk.land();
  };
  const doubted = desk.again.doubted?.landing;
  const nominal = desk.bench.hints[part.set]?.nominal ?? "";
  return (
    <form onSubmit={submit}>
      <label className="block border-[3px] border-blue bg-sheet px-4 pb-1 pt-2">
        <span className="flex justify-between text-[17px] font-semibold text-blue">
          {doubted
            ? `${nameOf(desk, doubted.part)} ${doubted.spot}, again`
            : spot
              ? (question ? `Next, ${nameOf(desk, part.id)}: ` : "") + where(desk)
              : `${part.short_name} ${anyRead(part) ? "is read" : "need not be read"}`}
          <span className="font-normal text-quiet">
            {doubted ? `in place of ${doubted.typed}` : aside(desk)}
          </span>
        </span>
        <span className="flex items-baseline gap-2">
          <input
            ref={input}
            data-entry
            aria-label={`Reading at ${doubted?.spot ?? spot ?? "no spot"}${spot && !doubted ? `: ${part.name}, ${where(desk)}` : ""}`}
            inputMode={keypad ? "none" : undefined}
            className="figure w-full bg-transparent py-1 text-[42px] leading-tight outline-none min-[1280px]:[@media(max-height:820px)]:text-[34px] placeholder:text-line"
            value={text}
            disabled={desk.bench.card.signed}
            placeholder={spot || doubted ? "" : "Enter"}
            autoComplete="off"
            spellCheck={false}
            onChange={(event) => desk.type(event.target.value)}
            onPaste={(event) => {
              const given = event.clipboardData.getData("text");
              if (valuesIn(given).length < 2) return;
              event.preventDefault();
              void pastedIn(desk, given).then(setPasted);
            }}
          />
          <span className="text-2xl text-quiet">{desk.feature.read_in || desk.setup.unit}</span>
        </span>
      </label>
      {question ? <Question desk={desk} parcel={question} /> : <Preview desk={desk} nominal={nominal} />}
      {keypad && !desk.bench.card.signed && <Keypad desk={desk} />}
      {desk.gone && (
        <p className="text-[15px] leading-tight">
          Took back <span className="figure">{desk.gone.typed}</span> at {desk.gone.spot}.{" "}
          <button type="button" className="min-h-8 font-semibold text-blue" onClick={desk.undo}>
            Alt+Shift+Z brings it again
          </button>
        </p>
      )}
      <PasteDialog desk={desk} pasted={pasted} onClose={() => setPasted(null)} />
    </form>
  );
}

const anyRead = (part: Desk["part"]): boolean =>
  part.features.some((feature) => feature.spots.some((spot) => spot.current));

/** What is read next: plane and angle, by name where the kind of part names them. */
function where({ feature, part, spot, spots }: Desk): string {
  const here = spots.find((one) => one.name === spot);
  if (!here) return "";
  if (here.angle === here.name) return here.name;
  const planes = new Set(spots.map((one) => one.plane)).size;
  const words = placeWords(feature, planes);
  const angle = words.angle(here.angle, here.angle_deg);
  if (words.named) {
    const place = angle === here.angle ? [] : [angle];
    const plane = words.plane(here.plane);
    const own = feature.plan || feature.key === part.features[0]?.feature;
    const named = own ? [plane] : feature.name.includes(plane) ? [feature.name] : [feature.name, plane];
    return [...named, ...place].join(", ");
  }
  if (planes === 1) return angle === here.angle ? `angle ${angle}` : `${angle} half, at the crown`;
  return `plane ${here.plane}, ${angle === here.angle ? `angle ${angle}` : angle}`;
}

function aside(desk: Desk): string {
  if (desk.replace) return "replaces the reading";
  return desk.repeated ? `again, ${desk.repeated.times} more` : "";
}

function Preview({ desk, nominal }: { desk: Desk; nominal: string }) {
  const draft = useDraft(desk);
  const setOn = useStandings().get(desk.gauge);
  // A dial that was never set says so before its first reading, with the way to set it.
  const unset = !desk.bench.card.signed && desk.spot !== null && setOn?.comparator && !setOn.set_on;
  // Hints speak in the unit in force: a bare number is taken in it.
  const inches = desk.setup.unit === "in";
  const small = inches ? "12 thou" : "0.12 mm";
  const words = () => {
    if (desk.bench.card.signed) return "Signed: no readings are taken.";
    if (!desk.spot && desk.upNext)
      return `Enter goes to ${desk.upNext.short_name}. An arrow key goes back to a spot.`;
    if (!desk.spot && !anyRead(desk.part))
      return "No reading is asked for. Decide, or pick a spot to read it all the same.";
    if (!desk.spot) return "All is read. Decide, or pick a spot to read it again.";
    if (!desk.text && desk.repeated) return "Read this spot again: the mean counts, and it may settle it.";
    const dial = dialWords(setOn);
    if (!desk.text && dial) return dial;
    if (!desk.text && !desk.byPlan) return "Type the size, or press the gauge's button.";
    if (!desk.text && desk.feature.read_in)
      return `Type it in ${desk.feature.read_in}, as the gauge says it.`;
    if (!desk.text && desk.feature.high_side)
      return `12 is ${small}. 12 @ 135 says that it is highest at 135°.`;
    if (!desk.text && desk.feature.signed) return `Minus is below. 12 is ${small}.`;
    if (!desk.text && desk.feature.small)
      return `12 is ${small}. ${inches ? "0.010+0.002" : "0.25+0.03"} adds two leaves.`;
    if (!desk.text && !desk.feature.plan) return "Type the size, or press the gauge's button.";
    if (!desk.text) return `Last digits are enough. −3 is ${inches ? "3 thou" : "0.03 mm"} below ${nominal}.`;
    if (draft.error) return draft.error;
    if (draft.data?.asked) return draft.data.asked.question;
    return draft.data ? `Enter lands ${draft.data.text}` : "Enter lands it.";
  };
  return (
    <div
      className={`mt-1 min-h-6 text-[15px] leading-tight ${draft.error ? "font-semibold text-red" : "text-quiet"}`}
      aria-live="polite"
    >
      {words()}{" "}
      {unset && (
        <Link
          to={`/gauges/${desk.gauge}`}
          className="inline-flex min-h-8 items-center font-semibold text-blue"
        >
          Set it on a master
        </Link>
      )}
    </div>
  );
}

/** What a dial's number counts from. */
function dialWords(gauge: Schemas["GaugeOut"] | undefined): string {
  if (!gauge?.comparator) return "";
  if (!gauge.set_on) return "Type the whole size: the gauge has no setting its dial could count from.";
  return `Set on ${gauge.set_on}: +3 is ${gauge.unit === "in" ? "3 thou" : "0.03 mm"} from there. Or the size.`;
}

const nameOf = (desk: Desk, id: string): string =>
  desk.bench.places.find((one) => one.id === id)?.short ?? id;

/** What a reading was asked, below the entry: the keys of "did you mean" answer it, or a press. Digits never do. */
function Question({ desk, parcel }: { desk: Desk; parcel: Parcel }) {
  const { landing, question, message } = parcel;
  return (
    <div
      role="group"
      aria-label="A question about the reading"
      aria-live="assertive"
      className="mt-1 border-[3px] border-blue bg-sheet p-2"
    >
      <p className="leading-tight text-quiet">
        {nameOf(desk, landing.part)} {landing.spot}: <span className="figure text-ink">{landing.typed}</span>
      </p>
      <p className="my-1 text-lg font-semibold leading-tight">{question?.question ?? message}</p>
      <div className="flex flex-col gap-1">
        {question?.choices.map((choice, nth) => (
          <Button
            key={choice.nm}
            kind={nth === 0 ? "strong" : "plain"}
            className="!justify-start !px-2 text-left !leading-tight"
            onClick={() => desk.choose(parcel, choice.nm)}
          >
            {ANSWER_KEYS[nth] && <kbd className="figure text-sm">{ANSWER_KEYS[nth]}</kbd>} {choice.words}
          </Button>
        ))}
        <Button className="!justify-start !px-2" onClick={() => desk.putBack(parcel)}>
          <kbd className="figure text-sm">F4</kbd> Type it again
        </Button>
      </div>
    </div>
  );
}

/** The keys of the first two answers. */
const ANSWER_KEYS = ["F2", "F8"] as const;
