import { useEffect, useRef } from 'react';
import { useNavigate } from 'react-router';

const BETWEEN_MS = 45;
const LEAST = 4;
const LABEL = /^TKJ(\d{1,9})[\dX]$/i;

/**
 * A scanner types like a keyboard, only faster than any hand, and ends with Enter. The code of a
 * label opens its job from anywhere, even from within a field; anything else that is scanned
 * outside a field is looked for.
 */
export function useScan(onOther: (text: string) => void) {
  const navigate = useNavigate();
  const typed = useRef('');
  const last = useRef(0);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.ctrlKey || event.metaKey || event.altKey) return;
      const quick = event.timeStamp - last.current <= BETWEEN_MS;
      if (event.key === 'Enter') {
        const text = quick ? typed.current : '';
        typed.current = '';
        const label = LABEL.exec(text);
        if (label !== null) {
          event.preventDefault();
          event.stopPropagation();
          takeOut(event.target, text);
          void navigate(`/job/J-${label[1]}`);
        } else if (text.length >= LEAST && !inField(event.target)) {
          event.preventDefault();
          event.stopPropagation();
          onOther(text);
        }
      } else if (event.key.length === 1) {
        typed.current = quick ? typed.current + event.key : event.key;
        last.current = event.timeStamp;
      }
    };
    window.addEventListener('keydown', onKey, { capture: true });
    return () => {
      window.removeEventListener('keydown', onKey, { capture: true });
    };
  });
}

const inField = (target: EventTarget | null) =>
  target instanceof HTMLElement && target.closest('input, textarea, select') !== null;

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
