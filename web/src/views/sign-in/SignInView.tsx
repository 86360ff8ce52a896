import { t } from '../../words/words';
import { useState, type FormEvent, lazy, Suspense } from 'react';
import { Form } from 'react-aria-components';
import styled, { css } from 'styled-components';
import { useSignIn } from '../../api/queries';
import type { Person } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { ProblemNote } from '../../ui/ProblemNote';
import { Sheet, Sub, Title } from '../../ui/Sheet';

const LanguageChoice = lazy(() =>
  import('../../shell/LanguageChoice').then((m) => ({ default: m.LanguageChoice })),
);

/** The one view that needs nobody signed in. */
export function SignInView() {
  return (
    <Ground>
      <SignInCard says={t('web.sign-in.sign-in-view.the-bench-its-tests-and-its')} stays={null} />
    </Ground>
  );
}

interface SignInCardProps {
  says: string;
  /** Whose views are still open behind it. */
  stays: Person | null;
}

/** Name and password. */
export function SignInCard({ says, stays }: SignInCardProps) {
  const signIn = useSignIn(stays);
  const [name, setName] = useState('');
  const [password, setPassword] = useState('');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    signIn.mutate({ name, password }, { onError: () => setPassword('') });
  };
  return (
    <Card>
      <Mark>
        <SuspicionMark suspicion="UNKNOWN" size={40} />
      </Mark>
      <Title>{t('web.sign-in.sign-in-view.sign-in-to-tekmerion')}</Title>
      <Sub>{says}</Sub>
      <Fields onSubmit={submit}>
        <Field
          label={t('web.sign-in.sign-in-view.name')}
          value={name}
          onChange={setName}
          autoComplete="username"
          autoFocus
          isRequired
        />
        <Field
          label={t('web.sign-in.sign-in-view.password')}
          type="password"
          value={password}
          onChange={setPassword}
          autoComplete="current-password"
          isRequired
        />
        {signIn.isError && <ProblemNote error={signIn.error} />}
        <Button primary type="submit" isPending={signIn.isPending}>
          {signIn.isPending
            ? t('web.sign-in.sign-in-view.signing-in')
            : t('web.sign-in.sign-in-view.sign-in')}
        </Button>
      </Fields>
      <Suspense fallback={null}>
        <LanguageChoice isSignedIn={false} />
      </Suspense>
    </Card>
  );
}

/** The cutting mat that the card lies on. */
export const ground = css`
  min-height: 100vh;
  display: grid;
  place-items: center;
  padding: 24px;
  background-color: ${color.mat};
  background-image:
    linear-gradient(rgb(255 255 255 / 5%) 1px, transparent 1px),
    linear-gradient(90deg, rgb(255 255 255 / 5%) 1px, transparent 1px);
  background-size: 26px 26px;
`;

const Ground = styled.main`
  ${ground}
`;

const Card = styled(Sheet)`
  width: min(420px, 100%);
  padding: 28px 30px 32px;
  display: grid;
  gap: 8px;
`;

const Mark = styled.div`
  padding-bottom: 6px;
`;

const Fields = styled(Form)`
  display: grid;
  gap: 16px;
  margin-top: 14px;
`;
