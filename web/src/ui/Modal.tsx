import { createElement, lazy, Suspense, useState, type ComponentType } from 'react';
import type { ModalProps } from './Dialog';

let ready: ComponentType<ModalProps> | undefined;

/** Fetches what dialogs need: no page opens with one, so no page waits for it. */
export async function fetchDialogs(): Promise<ComponentType<ModalProps>> {
  ready = (await import('./Dialog')).Dialog;
  return ready;
}

const Fetched = lazy(async () => ({ default: await fetchDialogs() }));

/** A dialog above the page; Escape closes it. */
export function Modal(props: ModalProps) {
  // Whichever it begins with, it stays: what is typed in it must not be lost.
  const [dialog] = useState<ComponentType<ModalProps>>(() => ready ?? Fetched);
  if (!props.isOpen) return null;
  return <Suspense fallback={null}>{createElement(dialog, props)}</Suspense>;
}
