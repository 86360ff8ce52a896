import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import type { Battery } from '../../api/types';
import { answering, runData, show } from '../../test-data';
import { BatteryView, titleOf } from './BatteryView';

const report: NonNullable<Battery['report']> = {
  maker: 'Lodestar',
  model: 'PM-3',
  serial: 'LS-00417',
  chemistry: 'Li-ion',
  made: null,
  unit: 'Ah',
  design: 4.4,
  full: 2.05,
  left: 2.05,
  health: 0.466,
  cycles: null,
  volts: 12.3,
  celsius: null,
  gauge: 1,
  chargeLimit: null,
  state: null,
  minutesLeft: null,
  flags: [],
  alarms: [],
  doubts: [],
  replacement: '4.40 Ah, 11.4 V, model PM-3',
};

const discharge = {
  kind: 'discharge' as const,
  points: [
    [0, 12.3, 1.5, 24],
    [5, 12.1, 1.6, 24],
  ],
  seconds: 3900,
  chargeAh: { value: 1.55, low: 1.5, high: 1.6 },
  energyWh: { value: 17.1, low: 16.6, high: 17.6 },
  resistanceOhm: null,
  steps: 3,
  gaps: 1,
  secondsInGaps: 95,
  reachedCutOff: true,
  designAh: 4.4,
  gaugeFullAh: 2.05,
  gaugeLevel: 1,
  newOhm: null,
  warmedCelsius: 3.1,
};

const battery = (more: Partial<Battery> = {}): Battery => ({
  number: 'J-1',
  version: 3,
  machine: 'Norrvik 13 laptop',
  report,
  second: null,
  together: null,
  adapter: null,
  readingId: 'a1',
  readAt: '2026-11-23T08:00:00Z',
  partId: 4,
  looks: [],
  fade: null,
  others: null,
  runs: [],
  charges: [],
  unsafe: null,
  canDischarge: null,
  canCharge: null,
  canRead: null,
  ...more,
});

const ofBattery = (more = {}) =>
  runData({ kind: 'DISCHARGE', partKey: 'battery', name: 'Discharge', result: discharge, ...more });

it('has what is surest as its title', () => {
  expect(titleOf(battery())).toBe('It says that it holds 47 % of what a new one does');
  expect(titleOf(battery({ runs: [ofBattery()] }))).toBe(
    'It holds 35 % of what a new one does, measured', // 1.55 of 4.4
  );
  expect(titleOf(battery({ unsafe: 'The battery is swollen.', runs: [ofBattery()] }))).toContain(
    'unsafe',
  );
  expect(titleOf(battery({ report: null, readAt: null }))).toBe('Nobody has read this battery yet');
});

it('says what was measured, with ranges, and what was not', async () => {
  answering(() => [200, battery({ runs: [ofBattery()] })]);
  show(<BatteryView />, '/battery/J-1', '/battery/:number');

  expect(await screen.findByText('1.55 Ah (1.50 to 1.60), 35 % of 4.40 Ah new')).toBeVisible();
  expect(screen.getByText('not measured: 3 load steps are too few')).toBeVisible();
  expect(screen.getByText('believed in 2.05 Ah, 32 % more than came out')).toBeVisible();
  expect(screen.getByText(/not heard once for 2 min in all/)).toBeVisible();
  expect(screen.getByText('not counted')).toBeVisible();
});

it('says how it charges, and whether the adapter is enough', async () => {
  const charge = {
    kind: 'charge' as const,
    points: [
      [0, 11.5, -0.8, 24],
      [5, 11.6, 0.7, 24],
    ],
    restPoints: 1,
    intoAmperes: 0.8,
    helpsAmperes: 0.7,
    verdict: 'normal',
    designAh: 4.4,
    gaugeLevel: 0.4,
  };
  answering(() => [200, battery({ charges: [runData({ kind: 'CHARGE', result: charge })] })]);
  show(<BatteryView />, '/battery/J-1', '/battery/:number');

  expect(await screen.findByText('It charges as it should')).toBeVisible();
  expect(
    screen.getByText('0.80 A into it at rest; under load it had to help with 0.70 A'),
  ).toBeVisible();
  expect(screen.getByRole('button', { name: 'Start this run: Watch it charge' })).toBeEnabled();
});

it('is run down by the probe', async () => {
  const sent = answering((method) => (method === 'POST' ? [202, { id: 'r9' }] : [200, battery()]));
  show(<BatteryView />, '/battery/J-1', '/battery/:number');

  await userEvent.click(await screen.findByRole('button', { name: 'Start this run: Run it down' }));

  expect(sent).toContainEqual({
    method: 'POST',
    path: '/api/jobs/J-1/parts/battery/runs',
    body: { kind: 'DISCHARGE' },
  });
});

it('never offers to load a pack that is unsafe', async () => {
  answering(() => [200, battery({ unsafe: 'The battery is swollen.' })]);
  show(<BatteryView />, '/battery/J-1', '/battery/:number');

  expect(await screen.findByRole('alert')).toHaveTextContent('Do not charge it');
  expect(screen.getByRole('button', { name: 'Start this run: Run it down' })).toBeDisabled();
});

it('leads with the worse of two packs, and says what to buy for it', async () => {
  const second = { ...report, model: 'PM-1', serial: 'LS-00088', health: 0.41, full: 0.9 };
  const two = battery({
    second: { ...second, replacement: '2.20 Ah, model PM-1', alarms: ['over temperature'] },
    together: { packs: 2, unit: 'Ah', design: 6.6, full: 4.4, left: null, health: 0.67 },
  });
  answering(() => [200, two]);
  show(<BatteryView />, '/battery/J-1', '/battery/:number');

  expect(await screen.findByRole('heading', { level: 1 })).toHaveTextContent('Its second pack');
  expect(screen.getByText('2.20 Ah, model PM-1')).toBeVisible();
  expect(screen.getByText(/4.40 Ah of/)).toHaveTextContent('6.60 Ah, 67 %');
  expect(screen.getByRole('alert')).toHaveTextContent('The second pack reports');
});
