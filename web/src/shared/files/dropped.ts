import { useLocation } from "react-router";

/** What kinds of file may be dropped on a page. */
export type DroppedKind = "job" | "table" | "picture";
export interface Dropped {
  kind: DroppedKind;
  file: File;
}

const PICTURES = /\.(jpe?g|png|webp|heic|gif|avif)$/i;

/** What a file is, by its name and type. */
export function kindOf(file: File): DroppedKind | null {
  if (/\.(json|zip)$/i.test(file.name)) return "job";
  if (/\.(csv|xlsx|tsv|txt)$/i.test(file.name)) return "table";
  return file.type.startsWith("image/") || PICTURES.test(file.name) ? "picture" : null;
}

/** The file that was dropped and chosen for this page, where it is of the kind the page takes. */
export function useDropped(kind: DroppedKind): File | null {
  const state: unknown = useLocation().state;
  const dropped = (state as { dropped?: Dropped } | null)?.dropped;
  return dropped?.kind === kind ? dropped.file : null;
}
