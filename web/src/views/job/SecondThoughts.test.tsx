import { screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import { job, show } from '../../test-data';
import { SecondThoughts } from './SecondThoughts';

it('is silent where nothing asks for another look', () => {
  show(<SecondThoughts job={job()} />);

  expect(screen.queryByText(/again/)).toBeNull();
});

it('says what speaks against the decision, what it came back with, and what the shop knows', () => {
  show(
    <SecondThoughts
      job={job({
        contradicted: 'It failed again after it was mended.',
        cameBack: {
          number: 'J-0',
          endedAt: '2026-10-01T08:00:00Z',
          days: 53,
          families: ['slow'],
          decision: {
            id: 1,
            courses: [{ course: 'REPAIR', words: 'Repair it' }],
            reason: 'fan cleaned',
            dataStatus: 'WANTED',
            headline: 'Heat or dust, 90 in 100.',
            causes: [],
            plan: null,
            fromElsewhere: false,
            signedBy: 'Bo K.',
            signedAt: '2026-10-01T07:00:00Z',
          },
        },
        weakPoints: [
          {
            maker: 'Ostrel',
            models: '14 laptop',
            topic: 'WEAK_POINT',
            topicWords: 'Known weak point',
            text: 'The flat cable tears.',
            by: 'Ines R.',
            at: '2026-10-01T08:00:00Z',
          },
        ],
      })}
    />,
  );

  expect(screen.getByRole('status').textContent).toContain('It failed again');
  expect(screen.getByText('Back after 53 days with the same complaint')).toBeTruthy();
  expect(screen.getByText(/because “fan cleaned”/)).toBeTruthy();
  expect(screen.getByRole('link', { name: 'Compare with J-0' })).toBeTruthy();
  expect(screen.getByText(/The flat cable tears/)).toBeTruthy();
});
