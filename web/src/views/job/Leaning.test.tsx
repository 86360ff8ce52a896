import { screen } from '@testing-library/react';
import { expect, it } from 'vitest';
import type { Plan } from '../../api/types';
import { job, show } from '../../test-data';
import { Leaning } from './Leaning';
import { costWords } from './leaningWords';

const plan = (words: string, more: Partial<Plan> = {}): Plan => ({
  id: words,
  words,
  courses: ['REPLACE_PART'],
  minutes: 84,
  parts: 80,
  owner: 0,
  comeback: 12,
  data: 9,
  fails: 0.05,
  ...more,
});

it('says which plan it leans to and what it costs', () => {
  show(
    <Leaning
      job={job({
        plans: [plan('Replace the drive'), plan('Rebuild the boot records', { parts: 0 })],
      })}
    />,
  );

  expect(screen.getByText('Replace the drive')).toBeVisible();
  expect(screen.getByText('complaint gone in 95 of 100 · 84 min of work')).toBeVisible();
  expect(screen.queryByText(/Rebuild the boot records/)).toBeNull();
});

it('never promises', () => {
  expect(costWords(plan('x', { fails: 0.001 }))).toBe(
    'complaint gone in >99 of 100 · 84 min of work',
  );
});
