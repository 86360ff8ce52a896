/**
 * The one theme file. Components name tokens; their values, light and dark, are CSS custom
 * properties set once in GlobalStyle, so that a change of scheme re-renders nothing.
 */
export const light = {
  mat: '#14403d',
  matInk: '#dcebe8',
  matLine: '#2a5a55',
  ground: '#eef2f1',
  sheet: '#ffffff',
  sunken: '#f4f7f6',
  line: '#d3dcda',
  ink: '#16262a',
  ink2: '#4c5f63',
  ink3: '#82949a',
  clear: '#0b6e69',
  clearSoft: '#e0efed',
  lean: '#8a5600',
  leanMark: '#a86a00',
  leanSoft: '#fdf6e9',
  implicated: '#9c1f60',
  implicatedSoft: '#f9e9f1',
  hold: '#3d4c9f',
  holdInk: '#232c6b',
  holdSoft: '#e5e8f6',
  bar: '#b9c6c4',
  act: '#14403d',
  actOver: '#1d5651',
  actInk: '#ffffff',
  matMark: '#7fc9c1',
  matWarn: '#e9b25c',
  matWarnInk: '#16262a',
  matClear: '#5cc2b8',
  veil: 'rgb(10 25 24 / 55%)',
  shadow: 'rgb(0 0 0 / 30%)',
} as const;

/** A dim bench: the same meanings. */
export const dark: Record<keyof typeof light, string> = {
  mat: '#0d2c2a',
  matInk: '#dcebe8',
  matLine: '#23504b',
  ground: '#101917',
  sheet: '#18231f',
  sunken: '#131d1a',
  line: '#33433e',
  ink: '#e6efec',
  ink2: '#a9bab5',
  ink3: '#7b8d88',
  clear: '#5cc2b8',
  clearSoft: '#1b3431',
  lean: '#e9b25c',
  leanMark: '#e0a040',
  leanSoft: '#2e2617',
  implicated: '#ef82b8',
  implicatedSoft: '#3a1c2c',
  hold: '#9aa8f0',
  holdInk: '#c9d1fb',
  holdSoft: '#232a4a',
  bar: '#52645f',
  act: '#14403d',
  actOver: '#1d5651',
  actInk: '#ffffff',
  matMark: '#7fc9c1',
  matWarn: '#e9b25c',
  matWarnInk: '#16262a',
  matClear: '#5cc2b8',
  veil: 'rgb(10 25 24 / 55%)',
  shadow: 'rgb(0 0 0 / 30%)',
};

export type Token = keyof typeof light;

/** `color.ink` is `var(--ink)`. */
export const color = Object.fromEntries(
  Object.keys(light).map((name) => [name, `var(--${name})`]),
) as Record<Token, string>;

export const font = {
  text: "'Atkinson Hyperlegible Next Variable', system-ui, sans-serif",
  mono: "'JetBrains Mono Variable', ui-monospace, monospace",
} as const;

/** At most 4 px, by design. */
export const radius = '4px';

/** Every size of type that there is. None is smaller: it is read at arm's length. */
export const size = {
  small: '13px',
  text: '14px',
  body: '15px',
  head: '17px',
  title: '21px',
  figure: '28px',
  /** Read across the shop. */
  wall: '38px',
} as const;

/** For widths up to these. */
export const upTo = {
  wide: '@media (max-width: 1400px)',
  middle: '@media (max-width: 1100px)',
  narrow: '@media (max-width: 900px)',
  /** A screen of 1280 px at 200 %. */
  doubled: '@media (max-width: 700px)',
  phone: '@media (max-width: 560px)',
} as const;
