/** Whether a key press belongs to a field, or to a shortcut of the browser or the app. */
export function isTyping(event: KeyboardEvent): boolean {
  return (
    event.altKey ||
    event.ctrlKey ||
    event.metaKey ||
    (event.target instanceof HTMLElement && /INPUT|SELECT|TEXTAREA/.test(event.target.tagName))
  );
}
