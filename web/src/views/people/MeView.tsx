import { t } from '../../words/words';
import { useState } from 'react';
import styled from 'styled-components';
import { useQueryClient } from '@tanstack/react-query';
import { api } from '../../api/client';
import { keys, useCall, usePeople, useSession } from '../../api/queries';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { ProblemNote } from '../../ui/ProblemNote';
import { Row } from '../../ui/Layout';
import { Select } from '../../ui/Select';
import { Page, Sheet, Sub, Title } from '../../ui/Sheet';
import { object } from 'valibot';
import { CheckedField } from '../../ui/form/CheckedField';
import { asTyped, password, pin } from '../../ui/form/rules';
import { useChecked } from '../../ui/form/useChecked';

/** What each may change of their own. */
export function MeView() {
  const session = useSession();
  const person = session.data?.person;
  if (person == null) return <Page />;
  return (
    <Page>
      <Title>
        {person.displayName},{' '}
        {person.hasPin ? t('web.people.me-view.with-a-pin') : t('web.people.me-view.no-pin-yet')}
      </Title>
      <Sub>{t('web.people.me-view.your-own-password-pin-and-absence')}</Sub>
      <Cards>
        <PinForm hasPin={person.hasPin} />
        <PasswordForm />
        <AwayForm me={person.id} />
        <Everywhere />
      </Cards>
    </Page>
  );
}

const PIN = object({ pin: pin(), password: asTyped() });
const NO_PIN = { pin: '', password: '' };

function PinForm({ hasPin }: { hasPin: boolean }) {
  const call = useCall(keys.session);
  const form = useChecked(PIN, NO_PIN);
  const send = (body: { password: string; pin: string | null }) =>
    call.mutate(() => api.PUT('/api/me/pin', { body }), { onSuccess: () => form.reset(NO_PIN) });
  const takeAway = async () => {
    if (await form.trigger('password', { shouldFocus: true })) {
      send({ password: form.getValues('password'), pin: null });
    }
  };
  return (
    <Card onSubmit={form.handleSubmit(send)}>
      <h2>{t('web.people.me-view.pin-for-a-shared-screen')}</h2>
      <p>{t('web.people.me-view.4-to-8-digits-it-works')}</p>
      <CheckedField
        control={form.control}
        name="pin"
        label={t('web.people.me-view.new-pin')}
        type="password"
        inputMode="numeric"
        autoComplete="off"
      />
      <CheckedField
        control={form.control}
        name="password"
        label={t('web.people.me-view.your-password-for-the-pin')}
        type="password"
        autoComplete="current-password"
      />
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        <Button primary type="submit" isPending={call.isPending}>
          {hasPin ? t('web.people.me-view.change-the-pin') : t('web.people.me-view.set-the-pin')}
        </Button>
        {hasPin && (
          <Button onPress={() => void takeAway()}>{t('web.people.me-view.take-it-away')}</Button>
        )}
      </Row>
      {call.isSuccess && <p role="status">{t('web.people.me-view.kept')}</p>}
    </Card>
  );
}

const PASSWORDS = object({ old: asTyped(), fresh: password() });

function PasswordForm() {
  const call = useCall(keys.session);
  const form = useChecked(PASSWORDS, { old: '', fresh: '' });
  return (
    <Card
      onSubmit={form.handleSubmit((body) =>
        call.mutate(() => api.PUT('/api/me/password', { body })),
      )}
    >
      <h2>{t('web.people.me-view.password')}</h2>
      <p>{t('web.people.me-view.at-least-10-characters-you-are')}</p>
      <CheckedField
        control={form.control}
        name="old"
        label={t('web.people.me-view.present-password')}
        type="password"
        autoComplete="current-password"
      />
      <CheckedField
        control={form.control}
        name="fresh"
        label={t('web.people.me-view.new-password')}
        type="password"
        autoComplete="new-password"
      />
      {call.isError && <ProblemNote error={call.error} />}
      <Button type="submit" isPending={call.isPending}>
        {t('web.people.me-view.change-the-password')}
      </Button>
    </Card>
  );
}

function AwayForm({ me }: { me: number }) {
  const people = usePeople();
  const call = useCall<{ jobs: number }>(keys.floor);
  const [to, setTo] = useState('');
  const [note, setNote] = useState('');
  return (
    <Card
      onSubmit={(event) => {
        event.preventDefault();
        call.mutate(() =>
          api.POST('/api/me/hand-over-all', { body: { to: to === '' ? null : Number(to), note } }),
        );
      }}
    >
      <h2>{t('web.people.me-view.away-for-the-day')}</h2>
      <p>{t('web.people.me-view.hands-over-every-job-that-you')}</p>
      <Select
        label={t('web.people.me-view.to')}
        value={to}
        onChange={setTo}
        options={[
          ['', t('web.people.me-view.whoever-is-free')],
          ...(people.data ?? [])
            .filter((p) => p.active && p.id !== me && p.role !== 'COUNTER')
            .map((p) => [String(p.id), p.displayName] as const),
        ]}
      />
      <Field label={t('web.people.me-view.note')} value={note} onChange={setNote} />
      {call.isError && <ProblemNote error={call.error} />}
      {call.data !== undefined && (
        <p role="status">{t('web.people.me-view.handed-over', { jobs: call.data.jobs })}</p>
      )}
      <Button type="submit" isPending={call.isPending}>
        {t('web.people.me-view.hand-everything-over')}
      </Button>
    </Card>
  );
}

function Everywhere() {
  const call = useCall();
  const client = useQueryClient();
  return (
    <Card as="section">
      <h2>{t('web.people.me-view.signed-in-elsewhere')}</h2>
      <p>{t('web.people.me-view.ends-every-session-of-yours-on')}</p>
      <Button
        onPress={() =>
          call.mutate(() => api.DELETE('/api/me/sessions'), {
            onSuccess: () => void client.resetQueries(),
          })
        }
      >
        {t('web.people.me-view.sign-out-everywhere')}
      </Button>
    </Card>
  );
}

const Cards = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 12px;
  align-items: start;
  margin-top: 14px;
`;

const Card = styled(Sheet).attrs({ as: 'form' })`
  padding: 16px 18px;
  display: grid;
  gap: 12px;
  h2 {
    font-size: ${size.head};
  }
  p {
    color: ${color.ink2};
  }
` as unknown as typeof Sheet;
