/** Whether a key press belongs to a field, to a sheet laid over the page, or to a shortcut of the browser or the app:
 * then it is no answer on the page. */
export function isTyping(event: KeyboardEvent): boolean {
  return (
    event.altKey ||
    event.ctrlKey ||
    event.metaKey ||
    document.querySelector('[role="dialog"]') !== null ||
    (event.target instanceof HTMLElement && /INPUT|SELECT|TEXTAREA/.test(event.target.tagName))
  );
}
