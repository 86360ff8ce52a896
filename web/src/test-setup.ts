import '@testing-library/jest-dom/vitest';
import { cleanup, configure } from '@testing-library/react';
import { afterEach, vi } from 'vitest';
import english from '../../words/src/main/resources/tekmerion/words/en.json';
import { fetchDialogs } from './ui/Modal';
import { speakIn } from './words/words';

speakIn('en', english);

// For what hangs, not for what is slow: a machine of CI may stand still for some seconds.
configure({ asyncUtilTimeout: 60_000 });

// What is fetched when it is first needed is here already.
await fetchDialogs();

// What a test put in place of the browser's own goes with it: files share one jsdom.
afterEach(() => {
  cleanup();
  vi.unstubAllGlobals();
  vi.useRealTimers();
});

// jsdom lays nothing out, so it has no scrolling either.
Element.prototype.scrollIntoView = () => undefined;
