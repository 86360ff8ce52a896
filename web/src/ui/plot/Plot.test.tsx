import { fireEvent, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it, vi } from 'vitest';
import { dark, light } from '../../theme/theme';
import { areaOf, axesOf } from './axes';
import { Plot } from './Plot';
import type { PlotData } from './plotData';

const at = (day: number) => Date.UTC(2026, 9, day, 10);
const MARGINS = { left: 50, right: 10, top: 20, bottom: 20 };

const pending: PlotData = {
  title: 'Pending sectors',
  x: { kind: 'time', name: 'When' },
  y: { unit: 'sectors', from: 0 },
  series: [
    {
      name: 'Pending sectors',
      points: [
        [at(1), 12],
        [at(11), 20],
        [at(21), 46],
      ],
      dots: true,
    },
  ],
};

it('has ticks at round values and dates, and the unit once', () => {
  const axes = axesOf(pending, 500, 200, MARGINS);
  expect(axes.yTicks.map(([, words]) => words)).toEqual(['0', '10', '20', '30', '40', '50']);
  expect(axes.xTicks.map(([, words]) => words)).toEqual(['4 Oct', '11 Oct', '18 Oct']);
  render(<Plot data={pending} label="12, 20, 46" />);
  expect(screen.getByText('sectors')).toBeInTheDocument();
});

it('fills its height with what is looked at closely', () => {
  // Between the 9th and the 22nd the line comes from 12 and goes to 46.
  const near = axesOf(pending, 500, 200, MARGINS, [at(9), at(22)]);
  expect(near.yTicks.map(([, words]) => words)).toEqual(['10', '20', '30', '40', '50']);
  // Between the 12th and the 20th there is no point: the line between 20 and 46 is seen.
  const between = axesOf(pending, 500, 200, MARGINS, [at(12), at(20)]);
  expect(between.y(46)).toBeGreaterThanOrEqual(MARGINS.top);
  expect(between.y(20)).toBeLessThanOrEqual(200 - MARGINS.bottom);
});

it('opens a forecast at the last point, and draws no wall where it has no end', () => {
  const open: PlotData = {
    ...pending,
    band: [
      [at(21), 46, 46],
      [at(31), 50, 1e6],
    ],
  };
  const axes = axesOf(open, 500, 200, MARGINS);
  // What is drawn of it goes on past the picture's top, where it is cut off.
  expect(axes.y(1e6)).toBeLessThan(0);
  expect(axes.y(46)).toBeGreaterThan(MARGINS.top);
  expect(areaOf(axes, open.band ?? [])).toMatch(/^M/);
});

it('says each point by arrow keys, and leaves by Tab', async () => {
  render(<Plot data={pending} label="Pending sectors: 12, 20, 46" />);
  const plot = screen.getByRole('slider', { name: 'Pending sectors: 12, 20, 46' });
  plot.focus();
  await userEvent.keyboard('{ArrowRight}{ArrowRight}');
  expect(plot).toHaveAttribute('aria-valuetext', expect.stringContaining(': 20 sectors'));
  await userEvent.keyboard('{End}');
  expect(plot).toHaveAttribute('aria-valuetext', expect.stringMatching(/^21 Oct 2026, .*: 46/));
  fireEvent.blur(plot);
  expect(plot).toHaveAttribute('aria-valuetext', 'Arrow keys go from point to point');
});

it('gives the numbers as a table and as CSV', async () => {
  const kept: Blob[] = [];
  vi.stubGlobal('URL', {
    ...URL,
    createObjectURL: (blob: Blob) => `blob:${kept.push(blob)}`,
    revokeObjectURL: () => undefined,
  });
  render(<Plot data={pending} label="12, 20, 46" />);
  await userEvent.click(screen.getByRole('button', { name: 'Table' }));
  const rows = within(screen.getByRole('table', { name: 'Pending sectors' })).getAllByRole('row');
  expect(rows).toHaveLength(4);
  expect(rows[3]).toHaveTextContent('46 sectors');

  await userEvent.click(screen.getByRole('button', { name: 'CSV' }));
  const text = await read(kept[0]);
  expect(text.split('\n')[0]).toBe('When,Pending sectors [sectors]');
  expect(text.split('\n')[3]).toBe('2026-10-21T10:00:00.000Z,46');
});

const many: PlotData = {
  ...pending,
  series: [
    {
      name: 'Charge',
      points: Array.from({ length: 101 }, (_, i) => [at(1) + i * 86_400_000, i] as const),
    },
  ],
};

it('looks closer where there are many points, by keys and by a button, and back at all of it', async () => {
  render(<Plot data={many} label="Charge" />);
  const plot = screen.getByRole('slider', { name: 'Charge' });
  const points = () => Number(plot.getAttribute('aria-valuemax')) + 1;
  expect(points()).toBe(101);

  plot.focus();
  await userEvent.keyboard('{Home}{+}'); // the half of 100 days that the first is in: 0 to 50
  expect(points()).toBe(51);
  await userEvent.click(screen.getByRole('button', { name: 'Closer' })); // 12.5 to 37.5
  expect(points()).toBe(25);
  await userEvent.click(screen.getByRole('button', { name: 'All of it' }));
  expect(points()).toBe(101);
  expect(screen.queryByRole('button', { name: 'All of it' })).toBeNull();
});

it('shows what was marked by dragging', () => {
  render(<Plot data={many} label="Charge" />);
  const plot = screen.getByRole('slider', { name: 'Charge' });
  const picture = plot.querySelector('svg') as SVGSVGElement;
  picture.setPointerCapture = () => undefined;
  const axes = axesOf(many, Number(picture.getAttribute('viewBox')?.split(' ')[2]), 190, {
    ...MARGINS,
    left: 52,
    right: 14,
  });

  fireEvent.pointerDown(picture, { clientX: axes.x(at(11)), pointerId: 1, button: 0 });
  fireEvent.pointerMove(picture, { clientX: axes.x(at(20)), pointerId: 1 });
  fireEvent.pointerUp(picture, { clientX: axes.x(at(31)) + 0.01, pointerId: 1 });

  expect(plot).toHaveAttribute('aria-valuemax', '20'); // the 11th to the 31st
});

it('offers no closer look at a few points', () => {
  render(<Plot data={pending} label="12, 20, 46" />);
  expect(screen.queryByRole('button', { name: 'Closer' })).toBeNull();
});

const read = (blob: Blob | undefined) =>
  new Promise<string>((done) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result));
    reader.readAsText(blob ?? new Blob());
  });

/** WCAG 2.2, 1.4.11: what is needed to read a picture stands out 3 to 1 from what is beside it. */
it.each([
  ['light', light],
  ['dark', dark],
])('draws lines that stand out in the %s scheme', (_, scheme) => {
  for (const stroke of ['clear', 'implicated', 'leanMark', 'ink3'] as const) {
    expect(contrast(scheme[stroke], scheme.sheet), stroke).toBeGreaterThanOrEqual(3);
  }
});

/** WCAG 2.2, contrast ratio of two colours "#rrggbb". */
function contrast(a: string, b: string): number {
  const [x = 0, y = 0] = [luminance(a), luminance(b)].sort((m, n) => n - m);
  return (x + 0.05) / (y + 0.05);
}

function luminance(hex: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((i) => {
    const c = parseInt(hex.slice(i, i + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
