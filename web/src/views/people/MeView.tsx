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

/** What each may change of their own. */
export function MeView() {
  const session = useSession();
  const person = session.data?.person;
  if (person == null) return <Page />;
  return (
    <Page>
      <Title>
        {person.displayName}, {person.hasPin ? 'with a PIN' : 'no PIN yet'}
      </Title>
      <Sub>Your own password, PIN and absence. Nobody else can read or set them.</Sub>
      <Cards>
        <PinForm hasPin={person.hasPin} />
        <PasswordForm />
        <AwayForm me={person.id} />
        <Everywhere />
      </Cards>
    </Page>
  );
}

function PinForm({ hasPin }: { hasPin: boolean }) {
  const call = useCall(keys.session);
  const [password, setPassword] = useState('');
  const [pin, setPin] = useState('');
  const send = (value: string | null) =>
    call.mutate(() => api.PUT('/api/me/pin', { body: { password, pin: value } }), {
      onSuccess: () => {
        setPassword('');
        setPin('');
      },
    });
  return (
    <Card
      onSubmit={(event) => {
        event.preventDefault();
        send(pin);
      }}
    >
      <h2>PIN for a shared screen</h2>
      <p>4 to 8 digits. It works only where you have signed in in full, and only after that.</p>
      <Field
        label="New PIN"
        type="password"
        inputMode="numeric"
        value={pin}
        onChange={(value) => setPin(value.replace(/\D/g, '').slice(0, 8))}
        autoComplete="off"
      />
      <Field
        label="Your password, for the PIN"
        type="password"
        value={password}
        onChange={setPassword}
        autoComplete="current-password"
      />
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        <Button
          primary
          type="submit"
          isDisabled={pin.length < 4 || password === ''}
          isPending={call.isPending}
        >
          {hasPin ? 'Change the PIN' : 'Set the PIN'}
        </Button>
        {hasPin && (
          <Button isDisabled={password === ''} onPress={() => send(null)}>
            Take it away
          </Button>
        )}
      </Row>
      {call.isSuccess && <p role="status">Kept.</p>}
    </Card>
  );
}

function PasswordForm() {
  const call = useCall(keys.session);
  const [old, setOld] = useState('');
  const [fresh, setFresh] = useState('');
  return (
    <Card
      onSubmit={(event) => {
        event.preventDefault();
        call.mutate(() => api.PUT('/api/me/password', { body: { old, fresh } }));
      }}
    >
      <h2>Password</h2>
      <p>At least 10 characters. You are signed out on every screen, this one too.</p>
      <Field
        label="Present password"
        type="password"
        value={old}
        onChange={setOld}
        autoComplete="current-password"
      />
      <Field
        label="New password"
        type="password"
        value={fresh}
        onChange={setFresh}
        autoComplete="new-password"
      />
      {call.isError && <ProblemNote error={call.error} />}
      <Button type="submit" isDisabled={old === '' || fresh.length < 10} isPending={call.isPending}>
        Change the password
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
      <h2>Away for the day</h2>
      <p>Hands over every job that you hold, at once, with a note to each.</p>
      <Select
        label="To"
        value={to}
        onChange={setTo}
        options={[
          ['', 'whoever is free'],
          ...(people.data ?? [])
            .filter((p) => p.active && p.id !== me && p.role !== 'COUNTER')
            .map((p) => [String(p.id), p.displayName] as const),
        ]}
      />
      <Field label="Note" value={note} onChange={setNote} />
      {call.isError && <ProblemNote error={call.error} />}
      {call.data !== undefined && <p role="status">Handed over: {call.data.jobs}.</p>}
      <Button type="submit" isPending={call.isPending}>
        Hand everything over
      </Button>
    </Card>
  );
}

function Everywhere() {
  const call = useCall();
  const client = useQueryClient();
  return (
    <Card as="section">
      <h2>Signed in elsewhere?</h2>
      <p>Ends every session of yours, on this screen too.</p>
      <Button
        onPress={() =>
          call.mutate(() => api.DELETE('/api/me/sessions'), {
            onSuccess: () => void client.resetQueries(),
          })
        }
      >
        Sign out everywhere
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
