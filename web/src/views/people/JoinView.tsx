import { t } from '../../words/words';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import styled from 'styled-components';
import { useCall } from '../../api/queries';
import { api } from '../../api/client';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { ProblemNote } from '../../ui/ProblemNote';
import { Sheet, Sub, Title } from '../../ui/Sheet';

/** Somebody new, or somebody who forgot the password, with the code that a lead gave. */
export function JoinView() {
  const { code: given = '' } = useParams();
  const [code, setCode] = useState(given);
  const [signInName, setName] = useState('');
  const [password, setPassword] = useState('');
  const call = useCall();
  const navigate = useNavigate();
  return (
    <Ground>
      <Card>
        <Title>{t('web.people.join-view.join-with-your-invitation')}</Title>
        <Sub>{t('web.people.join-view.a-lead-gave-you-the-code')}</Sub>
        <Form
          onSubmit={(event) => {
            event.preventDefault();
            void api
              .GET('/api/session')
              .then(() =>
                call.mutate(
                  () =>
                    api.POST('/api/invitations/accept', { body: { code, signInName, password } }),
                  { onSuccess: () => void navigate('/', { replace: true }) },
                ),
              );
          }}
        >
          <Field
            label={t('web.people.join-view.invitation-code')}
            value={code}
            onChange={setCode}
            autoComplete="off"
          />
          <Field
            label={t('web.people.join-view.sign-in-name')}
            hint={t('web.people.join-view.small-letters-digits-points-hyphens-leave')}
            value={signInName}
            onChange={setName}
            autoComplete="username"
          />
          <Field
            label={t('web.people.join-view.new-password-at-least-10-characters')}
            type="password"
            value={password}
            onChange={setPassword}
            autoComplete="new-password"
          />
          {call.isError && <ProblemNote error={call.error} />}
          <Button primary type="submit" isDisabled={code === '' || password.length < 10}>
            {t('web.people.join-view.join')}
          </Button>
        </Form>
      </Card>
    </Ground>
  );
}

const Ground = styled.main`
  min-height: 100vh;
  display: grid;
  place-items: center;
  padding: 24px;
  background: ${color.mat};
`;

const Card = styled(Sheet)`
  width: min(460px, 100%);
  padding: 26px 30px;
  display: grid;
  gap: 8px;
`;

const Form = styled.form`
  display: grid;
  gap: 14px;
  margin-top: 10px;
`;
