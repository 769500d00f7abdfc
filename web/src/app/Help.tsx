import { useEffect, useState } from "react";
import { useLocation } from "react-router";

import { isTyping } from "../shared/keys";
import { Dialog, KeyList } from "../shared/ui";

type Keys = readonly (readonly [string, string])[];

const EVERYWHERE: Keys = [
  ["Tab", "the first stop of every page leads past its head line"],
  ["Alt+K or ?", "this list; ? where nothing is being typed"],
];
const JOB: Keys = [
  ["Alt+Z", "takes back the last thing you did on this job, and says what"],
  ["Alt+Shift+Z", "brings it again"],
];
/** The keys of a page, by what its address begins with after the job. */
const PAGES: Readonly<Record<string, Keys>> = {
  "book-in": [
    ["Ctrl+Enter", "books in from anywhere on the page"],
    ["← → ↑ ↓", "from answer to answer of one question"],
  ],
  looks: [["1 2 3 …", "the answers to the look in hand; 0 where it cannot be looked at"]],
  strip: [
    ["Enter", "the step is done, and the next comes to hand"],
    ["F S J", "force needed, came away stuck, a step at the joint"],
    ["N", "not on this engine"],
    ["↑ ↓", "step before, step after"],
  ],
  evidence: [
    ["a letter", "grades the half in hand"],
    ["1 2 3 …", "where it is worn"],
    ["← →", "along a row of halves, and on along the other; ↑ ↓ within a bearing"],
    ["Space", "its seat and back"],
  ],
};

/** Help on every page by Alt+K, or by ? where nothing is being typed. The bench has its own. */
export function Help() {
  const [open, setOpen] = useState(false);
  const [first = "", , view = ""] = useLocation().pathname.split("/").slice(1);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const asked = event.altKey ? event.key.toLowerCase() === "k" : event.key === "?" && !isTyping(event);
      if (!asked || event.defaultPrevented) return;
      event.preventDefault();
      setOpen(true);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  const keys = [
    ...(PAGES[first === "jobs" ? view : first] ?? []),
    ...(first === "jobs" ? JOB : []),
    ...EVERYWHERE,
  ];
  return (
    <Dialog open={open} onOpenChange={setOpen} title="Keys on this page">
      <KeyList keys={keys} />
    </Dialog>
  );
}
