import type { ComponentType } from "react";
import { createRoutesFromElements, Route } from "react-router";

import { RackPage } from "../features/rack";
import { App } from "./App";
import { ErrorPage } from "./ErrorPage";
import { JobFrame } from "./JobFrame";
import { NotFound } from "./NotFound";
import { TopLine } from "./TopLine";
import { Waiting } from "./Waiting";

/** A page whose script is fetched while it is gone to. Not by a fallback of React's: what follows one is held back
 * for three tenths of a second, and again for its data. */
function page<Name extends string>(load: () => Promise<Record<Name, ComponentType>>, name: Name) {
  return async () => ({ Component: (await load())[name] });
}

const strip = () => import("../features/strip");
const sheet = () => import("../features/sheet");
const evidence = () => import("../features/evidence");
const house = () => import("../features/house");
const gauges = () => import("../features/gauges");
const key = () => import("../features/key");

/** Every page of the program, by its address. Whatever fails on one has its error page. */
export const ROUTES = createRoutesFromElements(
  <Route element={<App />} errorElement={<ErrorPage />} hydrateFallbackElement={<Waiting />}>
    <Route path="/jobs/:jobId" element={<JobFrame />}>
      <Route index lazy={page(() => import("../features/bench"), "BenchPage")} />
      <Route path="door" lazy={page(() => import("../features/door"), "DoorPage")} />
      <Route path="looks" lazy={page(() => import("../features/looks"), "LooksPage")} />
      <Route path="strip" lazy={page(strip, "StripPage")} />
      <Route path="leave" lazy={page(strip, "LeavePage")} />
      <Route path="strip/engine" lazy={page(strip, "EnginePage")} />
      <Route path="strip/other-way" lazy={page(strip, "OtherWayPage")} />
      <Route path="strip/open" lazy={page(strip, "OpenPage")} />
      <Route path="strip/marks" lazy={page(strip, "MarksPage")} />
      <Route path="strip/labels" lazy={page(strip, "LabelsPage")} />
      <Route path="strip/pictures" lazy={page(strip, "PicturesPage")} />
      <Route path="evidence" lazy={page(evidence, "BearingsPage")} />
      <Route path="evidence/looks" lazy={page(evidence, "EvidenceLooksPage")} />
      <Route path="evidence/cause" lazy={page(evidence, "CausePage")} />
      <Route path="evidence/metal" lazy={page(evidence, "MetalPage")} />
      <Route path="evidence/report" lazy={page(evidence, "ReportPage")} />
      <Route path="sheet" lazy={page(sheet, "SheetPage")} />
      <Route path="sheet/ways" lazy={page(sheet, "WaysPage")} />
      <Route path="sheet/grinding" lazy={page(sheet, "GrindingPage")} />
      <Route path="story" lazy={page(() => import("../features/story"), "StoryPage")} />
    </Route>
    <Route element={<TopLine />}>
      <Route path="/" element={<RackPage />} />
      <Route path="/book-in" lazy={page(() => import("../features/booking"), "BookInPage")} />
      <Route path="/limits/*" lazy={page(() => import("../features/limits"), "LimitsPages")} />
      <Route path="/gauges" lazy={page(gauges, "GaugesPage")} />
      <Route path="/gauges/:gaugeId" lazy={page(gauges, "GaugePage")} />
      <Route path="/house-rules" lazy={page(house, "HousePage")} />
      <Route path="/house-rules/shop" lazy={page(house, "ShopPage")} />
      <Route path="/house-rules/looks" lazy={page(house, "LookTablePage")} />
      <Route path="/customers" lazy={page(() => import("../features/customers"), "CustomersPage")} />
      <Route path="/people" lazy={page(() => import("../features/people"), "PeoplePage")} />
      <Route path="/key" lazy={page(key, "KeyPage")} />
      <Route path="/key/causes" lazy={page(key, "CausesKnownPage")} />
      <Route path="*" element={<NotFound />} />
    </Route>
  </Route>,
);
