import '@testing-library/jest-dom/vitest';
import { cleanup } from '@testing-library/react';
import { afterEach } from 'vitest';

afterEach(cleanup);

// jsdom lays nothing out, so it has no scrolling either.
Element.prototype.scrollIntoView = () => undefined;
