import { t } from '../../words/words';
import styled from 'styled-components';
import { object, picklist } from 'valibot';
import { api } from '../../api/client';
import { keys, useCall, usePeople } from '../../api/queries';
import type { Colleague } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { CheckedField } from '../../ui/form/CheckedField';
import { CheckedSelect } from '../../ui/form/CheckedSelect';
import { said } from '../../ui/form/rules';
import { useChecked } from '../../ui/form/useChecked';
import { Select } from '../../ui/Select';
import { when } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { ProblemNote } from '../../ui/ProblemNote';
import { FieldRow } from '../../ui/Layout';
import { Mono, Page, Sheet, Sub, Title } from '../../ui/Sheet';

const ROLES: readonly (readonly [Colleague['role'], string])[] = [
  ['TECHNICIAN', t('web.people.people-view.technician')],
  ['LEAD', t('web.people.people-view.lead')],
  ['COUNTER', t('web.people.people-view.counter')],
];

const INVITATION = object({
  displayName: said(80),
  role: picklist(['TECHNICIAN', 'LEAD', 'COUNTER']),
});

interface Invited {
  code: string;
  expiresAt: string;
}

/** The people of the shop, for its lead. */
export function PeopleView() {
  const people = usePeople();
  const call = useCall(keys.people);
  const invite = useCall<Invited>();
  const form = useChecked(INVITATION, { displayName: '', role: 'TECHNICIAN' });
  return (
    <Loaded query={people}>
      {(all) => (
        <Page>
          <Title>
            {t('web.people.people-view.people-work-here', {
              length: all.filter((p) => p.active).length,
            })}
          </Title>
          <Sub>{t('web.people.people-view.a-lead-invites-each-chooses-name')}</Sub>
          {call.isError && <ProblemNote error={call.error} />}
          <List as="ul">
            {all.map((person) => (
              <li key={person.id} data-gone={!person.active || undefined}>
                <span>
                  <b>{person.displayName}</b>{' '}
                  <small>
                    {t('web.people.people-view.signs-in-as', { signInName: person.signInName })}
                  </small>
                </span>
                <Select
                  labelAt="hidden"
                  options={ROLES}
                  label={t('web.people.people-view.role-of', { displayName: person.displayName })}
                  value={person.role}
                  onChange={(to) =>
                    call.mutate(() =>
                      api.PUT('/api/people/{id}/role', {
                        params: { path: { id: person.id } },
                        body: { role: to },
                      }),
                    )
                  }
                />
                <Button
                  onPress={() =>
                    invite.mutate(() =>
                      api.POST('/api/people/{id}/new-password', {
                        params: { path: { id: person.id } },
                      }),
                    )
                  }
                >
                  {t('web.people.people-view.new-password')}
                </Button>
                <Button
                  onPress={() =>
                    call.mutate(() =>
                      api.PUT('/api/people/{id}/active', {
                        params: { path: { id: person.id } },
                        body: { active: !person.active },
                      }),
                    )
                  }
                >
                  {person.active
                    ? t('web.people.people-view.has-left')
                    : t('web.people.people-view.is-back')}
                </Button>
              </li>
            ))}
          </List>
          <FieldRow
            onSubmit={form.handleSubmit((body) => {
              invite.mutate(() => api.POST('/api/people/invitations', { body }), {
                onSuccess: () => form.reset(),
              });
            })}
          >
            <CheckedField
              control={form.control}
              name="displayName"
              label={t('web.people.people-view.name-of-somebody-new')}
            />
            <CheckedSelect
              control={form.control}
              name="role"
              label={t('web.people.people-view.role')}
              options={ROLES}
            />
            <Button primary type="submit" isPending={invite.isPending}>
              {t('web.people.people-view.invite')}
            </Button>
          </FieldRow>
          {invite.isError && <ProblemNote error={invite.error} />}
          {invite.data !== undefined && (
            <Code role="status">
              <p>
                {t('web.people.people-view.give-them-this-code-it-works', {
                  when: when(invite.data.expiresAt),
                  origin: window.location.origin,
                })}
              </p>
              <Mono>{invite.data.code}</Mono>
            </Code>
          )}
        </Page>
      )}
    </Loaded>
  );
}

const List = styled(Sheet)`
  margin: 14px 0;
  li {
    display: grid;
    grid-template-columns: 1fr auto auto 110px;
    gap: 10px;
    align-items: center;
    padding: 8px 16px;
  }
  li + li {
    border-top: 1px solid ${color.line};
  }
  li[data-gone] b {
    text-decoration: line-through;
  }
  small {
    color: ${color.ink2};
  }
`;

const Code = styled.div`
  margin-top: 14px;
  padding: 14px;
  border-left: 5px solid ${color.clear};
  background: ${color.clearSoft};
  ${Mono} {
    font-size: ${size.figure};
    font-weight: 700;
  }
`;
