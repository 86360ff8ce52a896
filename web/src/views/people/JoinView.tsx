import { t } from '../../words/words';
import { useNavigate, useParams } from 'react-router';
import styled from 'styled-components';
import { object } from 'valibot';
import { useCall } from '../../api/queries';
import { api } from '../../api/client';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { CheckedField } from '../../ui/form/CheckedField';
import { password, said } from '../../ui/form/rules';
import { useChecked } from '../../ui/form/useChecked';
import { ProblemNote } from '../../ui/ProblemNote';
import { Sheet, Sub, Title } from '../../ui/Sheet';

const JOINING = object({ code: said(200), signInName: said(60), password: password() });

/** Somebody new, or somebody who forgot the password, with the code that a lead gave. */
export function JoinView() {
  const { code: given = '' } = useParams();
  const form = useChecked(JOINING, { code: given, signInName: '', password: '' });
  const call = useCall();
  const navigate = useNavigate();
  return (
    <Ground>
      <Card>
        <Title>{t('web.people.join-view.join-with-your-invitation')}</Title>
        <Sub>{t('web.people.join-view.a-lead-gave-you-the-code')}</Sub>
        <Form
          onSubmit={form.handleSubmit(async (body) => {
            await api.GET('/api/session'); // for the token that every change needs
            call.mutate(() => api.POST('/api/invitations/accept', { body }), {
              onSuccess: () => void navigate('/', { replace: true }),
            });
          })}
        >
          <CheckedField
            control={form.control}
            name="code"
            label={t('web.people.join-view.invitation-code')}
            autoComplete="off"
          />
          <CheckedField
            control={form.control}
            name="signInName"
            label={t('web.people.join-view.sign-in-name')}
            hint={t('web.people.join-view.small-letters-digits-points-hyphens-leave')}
            autoComplete="username"
          />
          <CheckedField
            control={form.control}
            name="password"
            label={t('web.people.join-view.new-password-at-least-10-characters')}
            type="password"
            autoComplete="new-password"
          />
          {call.isError && <ProblemNote error={call.error} />}
          <Button primary type="submit" isPending={call.isPending}>
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
