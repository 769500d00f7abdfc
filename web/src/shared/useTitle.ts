import { useEffect } from "react";

/** The title of the page and its tab: which job or page, and which view; null leaves it as it is. */
export function useTitle(title: string | null): void {
  useEffect(() => {
    if (title === null) return;
    document.title = title ? `${title}, Half Thou` : "Half Thou";
  }, [title]);
}
