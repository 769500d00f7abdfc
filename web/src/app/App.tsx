import { lazy, Suspense, useEffect } from "react";
import { Route, Routes } from "react-router";

import { stringOf } from "../api";
import { RackPage } from "../features/rack";
import { SignInPage, useSession, useSessionOverTabs } from "../features/session";
import { Button, Notice } from "../shared/ui";
import { Announcer } from "./Announcer";
import { JobFrame } from "./JobFrame";
import { NotFound } from "./NotFound";
import { TopLine } from "./TopLine";
import { useUpdates } from "./useUpdates";

const bench = () => import("../features/bench");
const BenchPage = lazy(async () => ({ default: (await bench()).BenchPage }));
const BookInPage = lazy(async () => ({ default: (await import("../features/booking")).BookInPage }));
const DoorPage = lazy(async () => ({ default: (await import("../features/door")).DoorPage }));
const LooksPage = lazy(async () => ({ default: (await import("../features/looks")).LooksPage }));
const strip = () => import("../features/strip");
const StripPage = lazy(async () => ({ default: (await strip()).StripPage }));
const OpenPage = lazy(async () => ({ default: (await strip()).OpenPage }));
const MarksPage = lazy(async () => ({ default: (await strip()).MarksPage }));
const LabelsPage = lazy(async () => ({ default: (await strip()).LabelsPage }));
const PicturesPage = lazy(async () => ({ default: (await strip()).PicturesPage }));
const evidence = () => import("../features/evidence");
const BearingsPage = lazy(async () => ({ default: (await evidence()).BearingsPage }));
const EvidenceLooksPage = lazy(async () => ({ default: (await evidence()).EvidenceLooksPage }));
const CausePage = lazy(async () => ({ default: (await evidence()).CausePage }));
const MetalPage = lazy(async () => ({ default: (await evidence()).MetalPage }));
const ReportPage = lazy(async () => ({ default: (await evidence()).ReportPage }));
const CausesKnownPage = lazy(async () => ({ default: (await import("../features/key")).CausesKnownPage }));
const SheetPage = lazy(async () => ({ default: (await import("../features/sheet")).SheetPage }));
const LimitsPages = lazy(async () => ({ default: (await import("../features/limits")).LimitsPages }));
const GaugesPage = lazy(async () => ({ default: (await import("../features/gauges")).GaugesPage }));
const StoryPage = lazy(async () => ({ default: (await import("../features/story")).StoryPage }));
const GaugePage = lazy(async () => ({ default: (await import("../features/gauges")).GaugePage }));
const HousePage = lazy(async () => ({ default: (await import("../features/house")).HousePage }));
const LookTablePage = lazy(async () => ({ default: (await import("../features/house")).LookTablePage }));
const PeoplePage = lazy(async () => ({ default: (await import("../features/people")).PeoplePage }));
const KeyPage = lazy(async () => ({ default: (await import("../features/key")).KeyPage }));

const AHEAD_MS = 1_000;

export function App() {
  const session = useSession();
  const updates = useUpdates();
  useSessionOverTabs();
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
          <Route path="door" element={<DoorPage />} />
          <Route path="looks" element={<LooksPage />} />
          <Route path="strip" element={<StripPage />} />
          <Route path="strip/open" element={<OpenPage />} />
          <Route path="strip/marks" element={<MarksPage />} />
          <Route path="strip/labels" element={<LabelsPage />} />
          <Route path="strip/pictures" element={<PicturesPage />} />
          <Route path="evidence" element={<BearingsPage />} />
          <Route path="evidence/looks" element={<EvidenceLooksPage />} />
          <Route path="evidence/cause" element={<CausePage />} />
          <Route path="evidence/metal" element={<MetalPage />} />
          <Route path="evidence/report" element={<ReportPage />} />
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
          <Route path="/house-rules/looks" element={<LookTablePage />} />
          <Route path="/people" element={<PeoplePage />} />
          <Route path="/key" element={<KeyPage />} />
          <Route path="/key/causes" element={<CausesKnownPage />} />
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
