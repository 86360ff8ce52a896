import { screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Report } from '../../api/types';
import { answering, show } from '../../test-data';
import { ReportView } from './ReportView';

const report: Report = {
  number: 'J-2291',
  shop: '',
  owner: 'Bakery on the quay',
  ownerId: 4,
  language: 'EN',
  machine: 'Ostrel 17 laptop',
  serial: null,
  title: 'What became of your Ostrel 17 laptop',
  job: 'Job J-2291, taken in 27 November 2026',
  printed: 'Printed 28 November 2026',
  sections: [{ heading: 'What we found', lines: ['We are sure: the drive in it is failing.'] }],
  plots: [
    {
      title: 'Places on the drive that can hardly be read',
      unit: '',
      from: '14 Mar 2026',
      to: '27 Nov 2026',
      most: 74,
      points: [
        { x: 0, y: 0 },
        { x: 1, y: 74 },
      ],
    },
  ],
  advice: [{ title: 'Keep a second copy', text: 'One drive always fails one day.' }],
  words: {
    shop: 'Repair report',
    advice: 'Our advice',
    annex: 'The evidence behind it',
    annexLead: 'For whoever wants to check.',
    runs: 'Tests',
    readings: 'Readings',
    steps: 'Steps',
    none: 'None.',
    page: 'Page {0} of {1}',
  },
  annex: {
    runs: [],
    readings: [{ id: 'r', part: 'drive-a', at: '2026-11-27T10:00:00Z' }],
    steps: [],
  },
};

it('shows the page, its picture in words, and leads to paper and to the evidence', async () => {
  answering(() => [200, report]);
  show(<ReportView />, '/job/J-2291/report', '/job/:number/report');

  expect(await screen.findByRole('heading', { level: 1, name: report.title })).toBeTruthy();
  expect(
    screen.getByRole('img', {
      name: /Places on the drive that can hardly be read: from 14 Mar 2026 to 27 Nov 2026, at most 74/,
    }),
  ).toBeTruthy();
  expect(screen.getByRole('link', { name: 'PDF, Letter' }).getAttribute('href')).toBe(
    '/api/jobs/J-2291/report.pdf?paper=LETTER',
  );
  expect(screen.getByRole('link', { name: 'what drive-a said of itself' })).toBeTruthy();
  expect(screen.getAllByText('None.')).toHaveLength(2);
});
