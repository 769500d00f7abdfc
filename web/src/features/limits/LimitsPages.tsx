import { Route, Routes } from "react-router";

import { LibraryPage } from "./LibraryPage";
import { NewSheetPage, SheetFormPage } from "./SheetFormPage";

/** The limits library: the list, a new sheet, one revision. */
export function LimitsPages() {
  return (
    <Routes>
      <Route index element={<LibraryPage />} />
      <Route path="new" element={<NewSheetPage />} />
      <Route path=":revisionId" element={<SheetFormPage />} />
    </Routes>
  );
}
