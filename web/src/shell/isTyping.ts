/** Whether a single key belongs to a field or a dialog rather than to the page. */
export function isTyping(event: KeyboardEvent): boolean {
  if (event.ctrlKey || event.metaKey || event.altKey) return true;
  const target = event.target instanceof HTMLElement ? event.target : null;
  return (
    target?.closest('input, textarea, select, [contenteditable], [role="dialog"]') != null ||
    document.querySelector('[role="dialog"]') !== null
  );
}
