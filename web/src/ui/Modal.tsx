import { lazy, Suspense } from 'react';
import type { ModalProps } from './Dialog';

/** What dialogs need is fetched with the first one: no page opens with one. */
const Dialog = lazy(() => import('./Dialog').then((m) => ({ default: m.Dialog })));

/** A dialog above the page; Escape closes it. */
export function Modal(props: ModalProps) {
  if (!props.isOpen) return null;
  return (
    <Suspense fallback={null}>
      <Dialog {...props} />
    </Suspense>
  );
}
