import { say, t } from '../../words/words';
import { useState, type FormEvent } from 'react';
import { Form } from 'react-aria-components';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall } from '../../api/queries';
import type { Isolation } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { ProblemNote } from '../../ui/ProblemNote';
import { Sheet } from '../../ui/Sheet';
import { KINDS, SORTS } from './sorts';
import { missing } from '../../ui/missing';

interface Thing {
  kind: string;
  name: string;
}

const AS_IT_CAME: Record<string, string> = {
  drive: t('web.isolate.name-things.its-drive-spare-drive'),
  cable: t('web.isolate.name-things.its-cable-spare-cable'),
  port: t('web.isolate.name-things.first-port-second-port'),
  machine: '',
};

/** Names what there is, one a line, before the first start. */
export function NameThings({ isolation }: { isolation: Isolation }) {
  const call = useCall(keys.job(isolation.number));
  const [lines, setLines] = useState('');
  const [chain, setChain] = useState<Record<string, string>>(AS_IT_CAME);
  const isChain = isolation.sort === 'CHAIN';
  const named: Thing[] = isChain
    ? KINDS.flatMap((kind) => split(chain[kind] ?? '').map((name) => ({ kind, name })))
    : split(lines).map((name) => ({ kind: '', name }));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    call.mutate(() =>
      api.PUT('/api/jobs/{number}/isolations/{sort}', {
        params: { path: { number: isolation.number, sort: isolation.sort } },
        body: { version: isolation.version, things: named },
      }),
    );
  };
  return (
    <Box>
      <Form onSubmit={submit}>
        <p>
          {say('web.isolate.name-things.from-then-on-every-start-is', {
            hint: SORTS.find((s) => s.sort === isolation.sort)?.hint,
          })}
        </p>
        {isChain ? (
          KINDS.map((kind) => (
            <Field
              key={kind}
              label={t('web.isolate.name-things.each-one-a-line', { kind })}
              area
              value={chain[kind] ?? ''}
              onChange={(text) => setChain({ ...chain, [kind]: text })}
              maxLength={1000}
            />
          ))
        ) : (
          <Field
            label={t('web.isolate.name-things.what-there-is-one-a-line')}
            area
            value={lines}
            onChange={setLines}
            maxLength={4000}
          />
        )}
        {call.isError && <ProblemNote error={call.error} />}
        <Button
          primary
          type="submit"
          missing={missing([
            named.length >= 2 && named.length <= 64,
            t('web.missing.two-to-64-names'),
          ])}
          isPending={call.isPending}
        >
          {t('web.isolate.name-things.begin')}
        </Button>
        <Count role="status">{t('web.isolate.name-things.named', { length: named.length })}</Count>
      </Form>
    </Box>
  );
}

/** One name a line; the same name twice is one thing. */
const split = (text: string) => [
  ...new Set(
    text
      .split('\n')
      .map((line) => line.trim().slice(0, 60))
      .filter((line) => line !== ''),
  ),
];

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
