import { Route, Routes } from "react-router";

import { DescriptionPage, NewDescriptionPage } from "./DescribePage";
import { DescriptionsPage } from "./DescriptionsPage";
import { LibraryPage } from "./LibraryPage";
import { NewSheetPage, SheetFormPage } from "./SheetFormPage";

/** The limits library: the list, a new sheet, one revision; and the engines described. */
export function LimitsPages() {
  return (
    <Routes>
      <Route index element={<LibraryPage />} />
      <Route path="new" element={<NewSheetPage />} />
      <Route path="engines" element={<DescriptionsPage />} />
      <Route path="engines/new" element={<NewDescriptionPage />} />
      <Route path="engines/:revisionId" element={<DescriptionPage />} />
      <Route path=":revisionId" element={<SheetFormPage />} />
    </Routes>
  );
}
