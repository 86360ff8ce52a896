import { useState, type FormEvent } from 'react';
import { Form } from 'react-aria-components';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useQueryClient } from '@tanstack/react-query';
import { api } from '../api/client';
import { useCall, useSignIn, useSignOut } from '../api/queries';
import type { Here, Person } from '../api/types';
import { color } from '../theme/theme';
import { Button } from '../ui/Button';
import { Field } from '../ui/Field';
import { Modal } from '../ui/Modal';
import { ProblemNote } from '../ui/ProblemNote';
import { BandButton } from './BandButton';
import { Row } from '../ui/Layout';

export interface PersonMenuProps {
  person: Person;
  here: readonly Here[];
}

/** Who is at the screen; another can come with a PIN, or sign in beside. */
export function PersonMenu({ person, here }: PersonMenuProps) {
  const [open, setOpen] = useState(false);
  const signOut = useSignOut();
  const close = () => setOpen(false);
  return (
    <>
      <BandButton
        onPress={() => setOpen(true)}
        aria-label={`${person.displayName}: person at this screen`}
      >
        <b>{person.displayName}</b>
      </BandButton>
      {open && (
        <Modal title={`${person.displayName} is at this screen`} isOpen onClose={close}>
          <Row>
            <Link to="/me" onClick={close}>
              My password, PIN and absence
            </Link>
            <Button onPress={() => signOut.mutate()}>Sign out</Button>
          </Row>
          <h3>Somebody else takes the screen</h3>
          {here.map((other) => (
            <Switch key={other.id} other={other} onDone={close} />
          ))}
          <SignInBeside onDone={close} />
        </Modal>
      )}
    </>
  );
}

function Switch({ other, onDone }: { other: Here; onDone: () => void }) {
  const [pin, setPin] = useState('');
  const client = useQueryClient();
  const call = useCall();
  if (!other.hasPin) return <p>{other.displayName} has no PIN and signs in in full.</p>;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    call.mutate(() => api.POST('/api/session/pin', { body: { person: other.id, pin } }), {
      onSuccess: () => {
        onDone();
        void client.resetQueries();
      },
      onError: () => setPin(''),
    });
  };
  return (
    <Inline onSubmit={submit}>
      <Field
        label={`PIN of ${other.displayName}`}
        type="password"
        inputMode="numeric"
        value={pin}
        onChange={setPin}
        autoComplete="off"
      />
      <Button primary type="submit" isDisabled={pin.length < 4} isPending={call.isPending}>
        Switch
      </Button>
      {call.isError && <ProblemNote error={call.error} />}
    </Inline>
  );
}

/** In full, once; from then on the PIN is enough at this screen. */
function SignInBeside({ onDone }: { onDone: () => void }) {
  const signIn = useSignIn();
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    signIn.mutate({ name, password }, { onSuccess: onDone, onError: () => setPassword('') });
  };
  return (
    <Inline onSubmit={submit}>
      <Field label="Sign-in name" value={name} onChange={setName} autoComplete="off" />
      <Field
        label="Their password"
        type="password"
        value={password}
        onChange={setPassword}
        autoComplete="off"
      />
      <Button
        type="submit"
        isDisabled={name === '' || password === ''}
        isPending={signIn.isPending}
      >
        Sign in beside
      </Button>
      {signIn.isError && <ProblemNote error={signIn.error} />}
    </Inline>
  );
}

const Inline = styled(Form)`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 10px;
  border-top: 1px solid ${color.line};
  padding-top: 12px;
`;
