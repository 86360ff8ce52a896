import { t } from '../../words/words';
import { useState } from 'react';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, usePeople } from '../../api/queries';
import type { Colleague } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { when } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { ProblemNote } from '../../ui/ProblemNote';
import { FieldRow } from '../../ui/Layout';
import { Select } from '../../ui/Select';
import { Mono, Page, Sheet, Sub, Title } from '../../ui/Sheet';

const ROLES: readonly (readonly [Colleague['role'], string])[] = [
  ['TECHNICIAN', t('web.people.people-view.technician')],
  ['LEAD', t('web.people.people-view.lead')],
  ['COUNTER', t('web.people.people-view.counter')],
];

interface Invited {
  code: string;
  expiresAt: string;
}

/** The people of the shop, for its lead. */
export function PeopleView() {
  const people = usePeople();
  const call = useCall(keys.people);
  const invite = useCall<Invited>();
  const [name, setName] = useState('');
  const [role, setRole] = useState<Colleague['role']>('TECHNICIAN');
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
            onSubmit={(event) => {
              event.preventDefault();
              invite.mutate(
                () => api.POST('/api/people/invitations', { body: { displayName: name, role } }),
                { onSuccess: () => setName('') },
              );
            }}
          >
            <Field
              label={t('web.people.people-view.name-of-somebody-new')}
              value={name}
              onChange={setName}
            />
            <Select
              label={t('web.people.people-view.role')}
              options={ROLES}
              value={role}
              onChange={setRole}
            />
            <Button
              primary
              type="submit"
              isDisabled={name.trim() === ''}
              isPending={invite.isPending}
            >
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
