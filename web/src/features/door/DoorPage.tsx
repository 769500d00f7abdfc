import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate, useOutletContext } from "react-router";

import { ask, client } from "../../api";
import { DoorTabs, type Drafts, Questions, toldIn, useDoor, useTopics } from "../../shared/door";
import { useLeaveGuard } from "../../shared/forms";
import { drop, useFacts, waitingOf, WaitingNotice } from "../../shared/queue";
import { type Bench, useKeepBench } from "../../shared/job";
import { PictureStrip } from "../../shared/pictures";
import { Button, Faults, LinkButton, Notice, Page } from "../../shared/ui";

/** The door: what was said and found out before the engine is opened. */
export function DoorPage() {
  const bench = useOutletContext<Bench>();
  const jobId = bench.card.id;
  const topics = useTopics();
  const door = useDoor(jobId);
  const facts = useFacts(jobId);
  const { tell } = facts;
  const go = useNavigate();
  const [drafts, setDrafts] = useState<Drafts>({});
  const [leaving, setLeaving] = useState(false);
  const typed = toldIn(drafts);
  useLeaveGuard(typed.length > 0 && !leaving);
  /** On to the looks: what is typed and not written down goes along. */
  const goOn = () => {
    const next = () => void go(`/jobs/${jobId}/looks`);
    if (typed.length === 0) {
      next();
      return;
    }
    tell.mutate(
      typed.map((one) => ({ fact: "statement", note: "", ...one })),
      {
        onSuccess: () => {
          setDrafts({});
          setLeaving(true);
          window.setTimeout(next);
        },
      },
    );
  };
  const waiting = waitingOf(facts.facts, "statement");
  const takenBack = new Set(waitingOf(facts.facts, "withdrawal").map((one) => one.of));
  const said = [
    ...(door.data?.said ?? []).filter((one) => !takenBack.has(one.id)),
    ...waiting.map((one) => ({ ...one, waits: true })),
  ];
  const closed = bench.card.signed || bench.card.stage === "handed over";
  return (
    <Page
      untitled
      title="At the door"
      pages={<DoorTabs jobId={jobId} />}
      note={
        bench.card.complaint
          ? `“${bench.card.complaint}”`
          : "What was said, by whom, and what was found out before it is opened."
      }
      actions={
        <Button kind="strong" onClick={goOn} disabled={tell.isPending}>
          On to the looks
        </Button>
      }
    >
      <WaitingNotice waiting={facts} />
      <Faults error={tell.error} />
      {door.data && !door.data.identified && <Identify bench={bench} sheets={door.data.sheets} />}
      {door.data && door.data.findings.length > 0 && (
        <ul aria-label="What has to be said" className="mb-4 border-l-4 border-blue bg-sheet px-4 py-2">
          {door.data.findings.map((one) => (
            <li key={one.text} className="text-lg leading-snug">
              {one.text}
            </li>
          ))}
        </ul>
      )}
      <div className="mb-4">
        <PictureStrip jobId={jobId} on="engine" name="the engine as it came" disabled={bench.card.archived} />
      </div>
      {topics.data && door.data && (
        <Questions
          topics={topics.data.topics}
          said={said}
          disabled={closed}
          drafts={drafts}
          onDrafts={setDrafts}
          onTell={(given) => tell.mutate([{ fact: "statement", note: "", ...given }])}
          onTakeBack={(of) =>
            waiting.some((one) => one.id === of) ? drop(of) : tell.mutate([{ fact: "withdrawal", of }])
          }
        />
      )}
    </Page>
  );
}

/** Which engine it is: until that is said nothing is judged and there is no strip list. */
function Identify({ bench, sheets }: { bench: Bench; sheets: readonly { id: number; name: string }[] }) {
  const [chosen, setChosen] = useState("");
  const keep = useKeepBench();
  const take = useMutation({
    mutationFn: () =>
      ask(
        client.PUT("/api/jobs/{job_id}/limits", {
          params: { path: { job_id: bench.card.id } },
          body: { limits_id: Number(chosen) },
        }),
      ),
    onSuccess: keep,
  });
  return (
    <div className="mb-4 border-2 border-ink bg-sheet p-4">
      <h2 className="text-xl font-semibold">Which engine is it?</h2>
      <p className="mb-2">
        The strip list and every verdict follow its limits. Choose them by what was verified.
      </p>
      <div className="flex flex-wrap gap-2">
        <select
          aria-label="Limits sheet"
          className="h-11 min-w-0 flex-1 border-2 border-line bg-sheet px-2"
          value={chosen}
          onChange={(event) => setChosen(event.target.value)}
        >
          <option value="">choose the engine</option>
          {sheets.map((sheet) => (
            <option key={sheet.id} value={sheet.id}>
              {sheet.name}
            </option>
          ))}
        </select>
        <Button kind="strong" disabled={!chosen || take.isPending} onClick={() => take.mutate()}>
          Judge by these
        </Button>
        <LinkButton to="/limits/new">Not listed: enter it</LinkButton>
      </div>
      {sheets.length === 0 && <Notice>No limits sheet yet. Enter this engine's limits first.</Notice>}
      <Faults error={take.error} />
    </div>
  );
}
