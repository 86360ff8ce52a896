/** What one types or chooses in, for selectors. */
export const FIELDS = 'input,textarea,select';

/** Whether a single key belongs to a field or a dialog rather than to the page. */
export function isTyping(event: KeyboardEvent): boolean {
  if (event.ctrlKey || event.metaKey || event.altKey) return true;
  const target = event.target instanceof HTMLElement ? event.target : null;
  return (
    target?.closest(`${FIELDS},[contenteditable],[role="dialog"]`) != null ||
    document.querySelector('[role="dialog"]') !== null
  );
}
