import { address } from '../../api/client';

/** Opens a job's label in a tab of its own, from which it is printed; closing the tab leads back. */
export function printLabel(number: string) {
  window.open(address('/api/jobs/{number}/label.pdf', { number }), '_blank', 'noopener');
}
