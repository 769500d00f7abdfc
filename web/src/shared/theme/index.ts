export type Theme = "light" | "dark";
const KEY = "half-thou.theme";

export function storedTheme(): Theme {
  const stored = localStorage.getItem(KEY);
  if (stored === "light" || stored === "dark") return stored;
  return window.matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light";
}

export function applyTheme(theme: Theme): void {
  document.documentElement.dataset.theme = theme;
}

/** Switch between light and dark, and remember it in this browser. */
export function switchTheme(): void {
  const next = document.documentElement.dataset.theme === "dark" ? "light" : "dark";
  localStorage.setItem(KEY, next);
  applyTheme(next);
}
