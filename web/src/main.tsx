import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/jetbrains-mono';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { App } from './App';

const RENEWED = 'renewed';
const ONCE_MS = 60_000;

/** A renewed server has other files than the page that is open: it is loaded anew, but once. */
addEventListener('vite:preloadError', (event) => {
  if (Date.now() - Number(sessionStorage.getItem(RENEWED)) < ONCE_MS) return;
  event.preventDefault();
  sessionStorage.setItem(RENEWED, String(Date.now()));
  location.reload();
});

const root = document.getElementById('root');
if (root === null) throw new Error('index.html has no #root');
createRoot(root).render(
  <StrictMode>
    <App />
  </StrictMode>,
);
