import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/jetbrains-mono';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { speakAsWanted } from './words/languages';

const RENEWED = 'renewed';
const ONCE_MS = 60_000;

/** A renewed server has other files than the page that is open: it is loaded anew, but once. */
addEventListener('vite:preloadError', (event) => {
  if (Date.now() - Number(sessionStorage.getItem(RENEWED)) < ONCE_MS) return;
  event.preventDefault();
  sessionStorage.setItem(RENEWED, String(Date.now()));
  location.reload();
});

await speakAsWanted();
const { App } = await import('./App');
const { fetchDialogs } = await import('./ui/Modal');
const root = document.getElementById('root');
if (root === null) throw new Error('index.html has no #root');
createRoot(root).render(
  <StrictMode>
    <App />
  </StrictMode>,
);

/** Once the page stands there. */
const SOON_MS = 2000;
setTimeout(() => void fetchDialogs(), SOON_MS);
