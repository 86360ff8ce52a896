import { say, t } from '../../words/words';
import { useQuery } from '@tanstack/react-query';
import { Link, useLocation, useNavigate } from 'react-router';
import styled from 'styled-components';
import { api, told } from '../../api/client';
import { useCall, useSession } from '../../api/queries';
import { BringIn } from '../exchange/BringIn';
import type { Intake } from '../../api/types';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { when } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { ProblemNote } from '../../ui/ProblemNote';
import { Page, Sheet, Sub, Title } from '../../ui/Sheet';

/** The counter between two customers: begin, or go on with a draft. */
export function IntakeHome() {
  const drafts = useQuery({
    queryKey: ['intakes'],
    queryFn: () => told(api.GET('/api/intakes')),
  });
  const begin = useCall<Intake>(['intakes']);
  const back = useCall(['intakes']);
  const session = useSession();
  const navigate = useNavigate();
  const { state } = useLocation() as { state: { dropped?: string } | null };
  const dropped = state?.dropped;
  return (
    <Loaded query={drafts}>
      {(open) => (
        <Page>
          <Title>
            {open.length === 0
              ? t('web.intake.intake-home.the-counter-is-free')
              : t('web.intake.intake-home.at-the-counter', { length: open.length })}
          </Title>
          <Sub>{t('web.intake.intake-home.a-machine-or-a-loose-drive')}</Sub>
          <Start>
            <Button
              primary
              autoFocus
              isPending={begin.isPending}
              onPress={() =>
                begin.mutate(() => api.POST('/api/intakes'), {
                  onSuccess: (made) => void navigate(`/intake/${made.id}`),
                })
              }
            >
              {t('web.intake.intake-home.take-something-in')}
            </Button>
            {session.data?.person?.role === 'LEAD' && <BringIn />}
            {dropped !== undefined && (
              <Button
                onPress={() =>
                  back.mutate(
                    () =>
                      api.POST('/api/intakes/{id}/bring-back', {
                        params: { path: { id: dropped } },
                      }),
                    { onSuccess: () => void navigate(`/intake/${dropped}`) },
                  )
                }
              >
                {t('web.intake.intake-home.undo-bring-back-what-was-put')}
              </Button>
            )}
          </Start>
          {session.data?.person?.role !== 'COUNTER' && (
            <p>
              {say('web.intake.from-a-stick', {
                link: (words) => <Link to="/stick">{words}</Link>,
              })}
            </p>
          )}
          {begin.isError && <ProblemNote error={begin.error} />}
          {back.isError && <ProblemNote error={back.error} />}
          {open.length > 0 && (
            <Sheet as="ul">
              {open.map((draft) => (
                <Draft key={draft.id}>
                  <Link to={`/intake/${draft.id}`}>
                    <b>
                      {draft.customer === ''
                        ? t('web.intake.intake-home.nobody-named-yet')
                        : draft.customer}
                    </b>
                    <span>
                      {draft.machine === ''
                        ? t('web.intake.intake-home.no-machine-yet')
                        : draft.machine}
                    </span>
                    <span>{draft.complaint}</span>
                    <small>
                      {t('web.intake.intake-home.kept', { when: when(draft.changedAt) })}
                    </small>
                  </Link>
                </Draft>
              ))}
            </Sheet>
          )}
        </Page>
      )}
    </Loaded>
  );
}

const Start = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin: 14px 0;
`;

const Draft = styled.li`
  & + & {
    border-top: 1px solid ${color.line};
  }
  a {
    display: grid;
    grid-template-columns: 1fr 1fr 2fr auto;
    gap: 12px;
    padding: 12px 16px;
    min-height: 44px;
    color: ${color.ink};
    text-decoration: none;
  }
  a:hover {
    background: ${color.clearSoft};
  }
`;
