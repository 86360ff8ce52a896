import { say, t } from '../../words/words';
import type { ReactNode } from 'react';
import { Form, type FormProps } from 'react-aria-components';
import { useWatch } from 'react-hook-form';
import styled from 'styled-components';
import { check, forward, maxLength, object, pipe, string, transform } from 'valibot';
import { api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { Isolation } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { CheckedField } from '../../ui/form/CheckedField';
import { lines } from '../../ui/form/rules';
import { useChecked } from '../../ui/form/useChecked';
import { fixed } from '../../ui/format';
import { ProblemNote } from '../../ui/ProblemNote';
import { Sheet } from '../../ui/Sheet';
import { KINDS, SORTS } from './sorts';

const MOST = 64;

/** One name a line; the same name twice is one thing. */
const distinct = (text: string) => [...new Set(lines(text).map((line) => line.slice(0, 60)))];

const names = (most: number) =>
  pipe(
    string(),
    maxLength(most, () => t('web.ui.form.rules.too-long', { most: fixed(most, 0) })),
    transform(distinct),
  );

const isEnough = (count: number) => count >= 2 && count <= MOST;

const THINGS = pipe(
  object({ things: names(4000) }),
  forward(
    check(({ things }) => isEnough(things.length), howMany),
    ['things'],
  ),
);

const CHAIN = pipe(
  object({ drive: names(1000), cable: names(1000), port: names(1000), machine: names(1000) }),
  forward(
    check((chain) => isEnough(Object.values(chain).flat().length), howMany),
    ['drive'],
  ),
);

function howMany() {
  return t('web.isolate.name-things.two-to-so-many', { most: MOST });
}

const AS_IT_CAME = {
  drive: t('web.isolate.name-things.its-drive-spare-drive'),
  cable: t('web.isolate.name-things.its-cable-spare-cable'),
  port: t('web.isolate.name-things.first-port-second-port'),
  machine: '',
};

/** Names what there is, one a line, before the first start. */
export function NameThings({ isolation }: { isolation: Isolation }) {
  return isolation.sort === 'CHAIN' ? (
    <NameChain isolation={isolation} />
  ) : (
    <NameEach isolation={isolation} />
  );
}

function NameEach({ isolation }: { isolation: Isolation }) {
  const { control, handleSubmit } = useChecked(THINGS, { things: '' });
  const begin = useBegin(isolation);
  return (
    <Names
      isolation={isolation}
      call={begin.call}
      onSubmit={handleSubmit(({ things }) =>
        begin.with(things.map((name) => ({ kind: '', name }))),
      )}
      count={distinct(useWatch({ control, name: 'things' })).length}
    >
      <CheckedField
        control={control}
        name="things"
        label={t('web.isolate.name-things.what-there-is-one-a-line')}
        area
        maxLength={4000}
      />
    </Names>
  );
}

function NameChain({ isolation }: { isolation: Isolation }) {
  const { control, handleSubmit } = useChecked(CHAIN, AS_IT_CAME);
  const begin = useBegin(isolation);
  const typed = useWatch({ control, name: KINDS });
  return (
    <Names
      isolation={isolation}
      call={begin.call}
      onSubmit={handleSubmit((chain) =>
        begin.with(KINDS.flatMap((kind) => chain[kind].map((name) => ({ kind, name })))),
      )}
      count={typed.flatMap(distinct).length}
    >
      {KINDS.map((kind) => (
        <CheckedField
          key={kind}
          control={control}
          name={kind}
          label={t('web.isolate.name-things.each-one-a-line', { kind })}
          area
          maxLength={1000}
        />
      ))}
    </Names>
  );
}

function useBegin(isolation: Isolation) {
  const call = useCall(keys.job(isolation.number));
  return {
    call,
    with: (things: { kind: string; name: string }[]) =>
      call.mutate(() =>
        api.PUT('/api/jobs/{number}/isolations/{sort}', {
          params: { path: { number: isolation.number, sort: isolation.sort } },
          body: { version: isolation.version, things },
        }),
      ),
  };
}

interface NamesProps {
  isolation: Isolation;
  call: ReturnType<typeof useBegin>['call'];
  onSubmit: NonNullable<FormProps['onSubmit']>;
  count: number;
  children: ReactNode;
}

function Names({ isolation, call, onSubmit, count, children }: NamesProps) {
  return (
    <Box>
      <Form onSubmit={onSubmit}>
        <p>
          {say('web.isolate.name-things.from-then-on-every-start-is', {
            hint: SORTS.find((s) => s.sort === isolation.sort)?.hint,
          })}
        </p>
        {children}
        {call.isError && <ProblemNote error={call.error} />}
        <Button primary type="submit" isPending={call.isPending}>
          {t('web.isolate.name-things.begin')}
        </Button>
        <Count role="status">{t('web.isolate.name-things.named', { length: count })}</Count>
      </Form>
    </Box>
  );
}

const Box = styled(Sheet)`
  max-width: 720px;
  padding: 16px;
  margin: 12px 0;
  form {
    display: grid;
    gap: 12px;
    justify-items: start;
  }
  form > div {
    inline-size: 100%;
  }
`;

const Count = styled.p`
  font-size: ${size.text};
  color: ${color.ink2};
`;
