import { screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { expect, it } from 'vitest';
import { answering, choose, show } from '../../test-data';
import { MakersView } from './MakersView';

const NOTE = {
  maker: 'Ostrel',
  models: '14 laptop',
  topic: 'CASE',
  topicWords: 'How its case opens',
  text: 'Ten screws.',
  by: 'Ines R.',
  at: '2026-10-01T08:00:00Z',
};

it('writes a note for a line of a maker', async () => {
  const sent = answering((method) => [
    method === 'POST' ? 204 : 200,
    method === 'POST' ? null : [],
  ]);
  const user = userEvent.setup();
  show(<MakersView />);
  await screen.findByText(/Nothing is written down yet/);

  await user.click(await screen.findByRole('button', { name: 'Write a note' }));
  await user.type(screen.getByRole('textbox', { name: 'Maker' }), 'Velde');
  await user.type(screen.getByRole('textbox', { name: /Models that begin/ }), 'Bark');
  await choose('About', 'How its case opens');
  await user.type(screen.getByRole('textbox', { name: /colleague/ }), 'Two screws.');
  await user.click(screen.getByRole('button', { name: 'Keep it' }));

  expect(sent.filter((s) => s.method === 'POST').map((s) => s.body)).toEqual([
    { maker: 'Velde', models: 'Bark', topic: 'CASE', text: 'Two screws.' },
  ]);
});

it('takes a note away by writing nothing', async () => {
  const sent = answering((method) => [
    method === 'POST' ? 204 : 200,
    method === 'POST' ? null : [NOTE],
  ]);
  const user = userEvent.setup();
  show(<MakersView />);

  await user.click(
    await screen.findByRole('button', { name: 'Change: Ostrel 14 laptop, How its case opens' }),
  );
  await user.click(screen.getByRole('button', { name: 'Take the note away' }));

  expect(sent.find((s) => s.method === 'POST')?.body).toMatchObject({
    models: '14 laptop',
    text: '',
  });
});
