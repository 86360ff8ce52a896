/** Opens a job's label in a tab of its own, from which it is printed; closing the tab leads back. */
export function printLabel(number: string) {
  window.open(`/api/jobs/${encodeURIComponent(number)}/label.pdf`, '_blank', 'noopener');
}
