import { FIELDS } from './isTyping';
import { labelIn } from './label';
import { useEffect, useRef } from 'react';
import { useNavigate } from 'react-router';

/** A label's code is like nothing else, so a slow scanner may have its time. */
const LABEL_BETWEEN_MS = 300;
const BETWEEN_MS = 45;
const MIN = 4;

/**
 * A scanner types like a keyboard, only faster than any hand, and ends with Enter. The code of a
 * label opens its job from anywhere, even from within a field; anything else that is scanned
 * outside a field is looked for.
 */
export function useScan(onOther: (text: string) => void) {
  const navigate = useNavigate();
  const typed = useRef('');
  const last = useRef(0);
  const slowest = useRef(0);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const gap = event.timeStamp - last.current;
      const goesOn = gap <= LABEL_BETWEEN_MS;
      if (event.key === 'Enter') {
        const text = goesOn ? typed.current : '';
        const scanned = Math.max(slowest.current, gap) <= BETWEEN_MS;
        typed.current = '';
        const label = labelIn(text);
        if (label !== null) {
          event.preventDefault();
          event.stopPropagation();
          takeOut(event.target, label.code);
          void navigate(`/job/${label.job}`);
        } else if (scanned && text.length >= MIN && !inField(event.target)) {
          event.preventDefault();
          event.stopPropagation();
          onOther(text);
        }
      } else if (event.key.length === 1) {
        slowest.current = goesOn ? Math.max(slowest.current, gap) : 0;
        typed.current = goesOn ? typed.current + event.key : event.key;
        last.current = event.timeStamp;
      } else if (event.key !== 'Shift') {
        // A scanner sends its code and Enter, no other key between them.
        typed.current = '';
      }
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => {
      window.removeEventListener('keydown', onKey, { capture: true });
    };
  });
}

const inField = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.closest(FIELDS) !== null;

/** What the scanner typed into a field is not part of what the person wrote there. */
function takeOut(target: EventTarget | null, text: string) {
  if (!(target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement)) return;
  if (!target.value.endsWith(text)) return;
  const prototype =
    target instanceof HTMLInputElement ? HTMLInputElement.prototype : HTMLTextAreaElement.prototype;
  // React listens to the element's own setter; the prototype's makes it see a change.
  Object.getOwnPropertyDescriptor(prototype, 'value')?.set?.call(
    target,
    target.value.slice(0, -text.length),
  );
  target.dispatchEvent(new Event('input', { bubbles: true }));
}
