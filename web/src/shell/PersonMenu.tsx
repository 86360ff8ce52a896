import { t } from '../words/words';
import { lazy, Suspense, useState, type FormEvent } from 'react';
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

/** Seldom opened: what it needs is fetched then. */
const LanguageChoice = lazy(() =>
  import('./LanguageChoice').then((m) => ({ default: m.LanguageChoice })),
);

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
        aria-label={t('web.shell.person-menu.person-at-this-screen', {
          displayName: person.displayName,
        })}
      >
        <b>{person.displayName}</b>
      </BandButton>
      {open && (
        <Modal
          title={t('web.shell.person-menu.is-at-this-screen', { displayName: person.displayName })}
          isOpen
          onClose={close}
        >
          <Row>
            <Link to="/me" onClick={close}>
              {t('web.shell.person-menu.my-password-pin-and-absence')}
            </Link>
            <Button onPress={() => signOut.mutate()}>{t('web.shell.person-menu.sign-out')}</Button>
            <Suspense fallback={null}>
              <LanguageChoice isSignedIn />
            </Suspense>
          </Row>
          <h3>{t('web.shell.person-menu.somebody-else-takes-the-screen')}</h3>
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
  if (!other.hasPin)
    return (
      <p>
        {t('web.shell.person-menu.has-no-pin-and-signs-in', { displayName: other.displayName })}
      </p>
    );
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
        label={t('web.shell.person-menu.pin-of', { displayName: other.displayName })}
        type="password"
        inputMode="numeric"
        value={pin}
        onChange={setPin}
        autoComplete="off"
      />
      <Button primary type="submit" isDisabled={pin.length < 4} isPending={call.isPending}>
        {t('web.shell.person-menu.switch')}
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
      <Field
        label={t('web.shell.person-menu.sign-in-name')}
        value={name}
        onChange={setName}
        autoComplete="off"
      />
      <Field
        label={t('web.shell.person-menu.their-password')}
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
        {t('web.shell.person-menu.sign-in-beside')}
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
