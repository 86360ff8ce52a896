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
  expect(screen.getByText(/84 min of work/)).toHaveTextContent(
    '84 min of work, parts worth 80 min; does not mend it in 5 of 100.',
  );
  expect(screen.queryByText(/Rebuild the boot records/)).toBeNull();
});

it('names no parts where none are needed, and never promises', () => {
  expect(costWords(plan('x', { parts: 0, fails: 0.001 }))).toBe(
    '84 min of work; does not mend it in fewer than 1 of 100',
  );
  expect(costWords(plan('x', { owner: 119.6, parts: 0 }))).toContain(
    '84 min of work, 120 min for the owner to set up again;',
  );
});
