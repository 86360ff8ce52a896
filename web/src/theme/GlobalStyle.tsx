import { createGlobalStyle } from 'styled-components';
import { color, dark, font, light, size } from './theme';

const properties = (values: Record<string, string>) =>
  Object.entries(values)
    .map(([name, value]) => `--${name}: ${value};`)
    .join('');

/** Base of every page: tokens, type, focus. */
export const GlobalStyle = createGlobalStyle`
  :root { ${properties(light)} color-scheme: light; }
  @media (prefers-color-scheme: dark) {
    :root { ${properties(dark)} color-scheme: dark; }
  }
  *, *::before, *::after { box-sizing: border-box; }
  body {
    margin: 0;
    background: ${color.ground};
    color: ${color.ink};
    font: 400 ${size.body}/1.4 ${font.text};
    overflow-wrap: anywhere;
  }
  h1, h2, h3, p, ul, ol, dl, dd { margin: 0; padding: 0; }
  ul, ol { list-style: none; }
  small { font-size: ${size.small}; }
  a { color: ${color.clear}; }
  :focus-visible { outline: 3px solid ${color.leanMark}; outline-offset: 2px; }
  @media (prefers-reduced-motion: reduce) {
    *, *::before, *::after { transition: none !important; animation: none !important; }
  }
`;
