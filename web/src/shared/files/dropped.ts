import { useEffect, useRef } from "react";
import { useLocation, useNavigate } from "react-router";

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

/** Takes the file that was dropped and chosen for this page, where it is of the kind the page takes. Once: a reload, or
 * a way back, does not take it again. */
export function useDropped(kind: DroppedKind, take: (file: File) => void): void {
  const location = useLocation();
  const { pathname, search } = location;
  const go = useNavigate();
  const taking = useRef(take);
  useEffect(() => {
    taking.current = take;
  });
  const dropped = (location.state as { dropped?: Dropped } | null)?.dropped;
  useEffect(() => {
    if (dropped?.kind !== kind) return;
    void go(`${pathname}${search}`, { replace: true, state: null });
    taking.current(dropped.file);
  }, [dropped, kind, go, pathname, search]);
}
