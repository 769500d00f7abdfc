import { lazy, Suspense, useEffect } from "react";
import { Route, Routes } from "react-router";

import { stringOf } from "../api";
import { RackPage } from "../features/rack";
import { SignInPage, useSession } from "../features/session";
import { Button, Notice } from "../shared/ui";
import { Announcer } from "./Announcer";
import { JobFrame } from "./JobFrame";
import { NotFound } from "./NotFound";
import { TopLine } from "./TopLine";
import { useUpdates } from "./useUpdates";

const bench = () => import("../features/bench");
const BenchPage = lazy(async () => ({ default: (await bench()).BenchPage }));
const BookInPage = lazy(async () => ({ default: (await import("../features/booking")).BookInPage }));
const SheetPage = lazy(async () => ({ default: (await import("../features/sheet")).SheetPage }));
const LimitsPages = lazy(async () => ({ default: (await import("../features/limits")).LimitsPages }));
const GaugesPage = lazy(async () => ({ default: (await import("../features/gauges")).GaugesPage }));
const StoryPage = lazy(async () => ({ default: (await import("../features/story")).StoryPage }));
const GaugePage = lazy(async () => ({ default: (await import("../features/gauges")).GaugePage }));
const HousePage = lazy(async () => ({ default: (await import("../features/house")).HousePage }));
const PeoplePage = lazy(async () => ({ default: (await import("../features/people")).PeoplePage }));
const KeyPage = lazy(async () => ({ default: (await import("../features/key")).KeyPage }));

const AHEAD_MS = 1_000;

export function App() {
  const session = useSession();
  const updates = useUpdates();
  // The bench is what comes next: it is fetched while the rack is looked at.
  useEffect(() => {
    const timer = window.setTimeout(() => void bench(), AHEAD_MS);
    return () => window.clearTimeout(timer);
  }, []);
  if (session.isPending) return <Waiting />;
  if (session.isError) {
    return (
      <main className="mx-auto max-w-xl p-10">
        <Notice tone="wrong">{stringOf(session.error)}</Notice>
        <div className="mt-4">
          <Button kind="strong" onClick={() => void session.refetch()}>
            Try again
          </Button>
        </div>
      </main>
    );
  }
  if (!session.data.person) return <SignInPage session={session.data} />;
  return (
    <Suspense fallback={<Waiting />}>
      {updates.waiting && (
        <Notice>
          A new version of Half Thou is here. What is typed stays.{" "}
          <Button kind="quiet" onClick={updates.takeUp}>
            Take it up
          </Button>
        </Notice>
      )}
      <Announcer />
      <Routes>
        <Route path="/jobs/:jobId" element={<JobFrame />}>
          <Route index element={<BenchPage />} />
          <Route path="sheet" element={<SheetPage />} />
          <Route path="story" element={<StoryPage />} />
        </Route>
        <Route element={<TopLine />}>
          <Route path="/" element={<RackPage />} />
          <Route path="/book-in" element={<BookInPage />} />
          <Route path="/limits/*" element={<LimitsPages />} />
          <Route path="/gauges" element={<GaugesPage />} />
          <Route path="/gauges/:gaugeId" element={<GaugePage />} />
          <Route path="/house-rules" element={<HousePage />} />
          <Route path="/people" element={<PeoplePage />} />
          <Route path="/key" element={<KeyPage />} />
          <Route path="*" element={<NotFound />} />
        </Route>
      </Routes>
    </Suspense>
  );
}

function Waiting() {
  return (
    <p className="p-10 text-lg text-quiet" role="status">
      One moment.
    </p>
  );
}
