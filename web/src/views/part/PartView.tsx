import { say, t } from '../../words/words';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { api } from '../../api/client';
import { useCall, usePart } from '../../api/queries';
import type { PartLife } from '../../api/types';
import { color } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { TwoColumns } from '../../ui/Layout';
import { sentence, when } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Mono, Page, Sheet, SheetHead, Sub, Title } from '../../ui/Sheet';

/** The life of a part: where it was, what it said there, and what may be the same part. */
export function PartView() {
  const { id = '' } = useParams();
  const part = usePart(id);
  return <Loaded query={part}>{(data) => <Shown part={data} />}</Loaded>;
}

function Shown({ part }: { part: PartLife }) {
  const call = useCall(['part']);
  const pair = (other: number) => ({ params: { path: { id: part.id, other } } });
  const join = (other: number) =>
    call.mutate(() => api.PUT('/api/parts/{id}/same/{other}', pair(other)));
  const separate = (other: number) =>
    call.mutate(() => api.DELETE('/api/parts/{id}/same/{other}', pair(other)));
  return (
    <Page>
      <Title>{titleOf(part)}</Title>
      <Sub>
        {say('web.part.part-view.first-met', {
          model: part.model ?? t('web.part.part-view.model-not-known'),
          mono: <Mono>{part.serial ?? t('web.part.part-view.serial-not-readable')}</Mono>,
          when: when(part.firstMet),
        })}
      </Sub>
      {call.isError && <ProblemNote error={call.error} />}
      <TwoColumns $side="minmax(0, 1fr)">
        <Sheet>
          <SheetHead>
            <Lead>{t('web.part.part-view.where-it-was')}</Lead>
          </SheetHead>
          <Columned>
            {part.stays.map((stay) => (
              <li key={`${stay.machine}-${stay.since}`}>
                <b>{stay.machine}</b>
                <span>{stay.slot}</span>
                <span>
                  {when(stay.since)} –{' '}
                  {stay.until === null ? t('web.part.part-view.now') : when(stay.until)}
                </span>
              </li>
            ))}
          </Columned>
        </Sheet>
        <Sheet>
          <SheetHead>
            <Lead>{t('web.part.part-view.what-it-said')}</Lead>
          </SheetHead>
          {part.readings.length === 0 && (
            <Empty>{t('web.part.part-view.it-has-not-been-read-yet')}</Empty>
          )}
          <Columned>
            {part.readings.map((reading) => (
              <li key={reading.id}>
                <Link to={`/reading/${reading.id}`}>{when(reading.takenAt)}</Link>
                <Link to={`/job/${reading.job}`}>{reading.job}</Link>
                <span>{reading.machine}</span>
              </li>
            ))}
          </Columned>
        </Sheet>
        {(part.near.length > 0 || part.sameAs.length > 0) && (
          <Sheet>
            <SheetHead>
              <Lead>{t('web.part.part-view.may-be-the-same-part')}</Lead>
              <small>{t('web.part.part-view.a-person-decides-it-can-be')}</small>
            </SheetHead>
            <Rows>
              {part.sameAs.map((other) => (
                <li key={other.id}>
                  <span>
                    {say('web.part.part-view.held-to-be-the-same', {
                      model: other.model,
                      mono: <Mono>{other.serial}</Mono>,
                      lastSeen: other.lastSeen,
                    })}
                  </span>
                  <Button onPress={() => separate(other.id)}>
                    {t('web.part.part-view.take-apart-again')}
                  </Button>
                </li>
              ))}
              {part.near.map((other) => (
                <li key={other.id}>
                  <span>
                    {other.model} <Mono>{other.serial}</Mono>: {other.how}, {other.lastSeen}
                  </span>
                  <Button onPress={() => join(other.id)}>
                    {t('web.part.part-view.it-is-the-same')}
                  </Button>
                </li>
              ))}
            </Rows>
          </Sheet>
        )}
      </TwoColumns>
    </Page>
  );
}

function titleOf(part: PartLife): string {
  const machines = new Set(part.stays.map((stay) => stay.machine));
  const kind = sentence(part.kind);
  const [only] = machines;
  if (machines.size === 0) return t('web.part.part-view.that-was-never-placed', { kind });
  if (machines.size === 1)
    return t('web.part.part-view.of-one-machine', { kind, only: only ?? '' });
  return t('web.part.part-view.that-has-been-in-machines', { kind, size: machines.size });
}

const Rows = styled.ul`
  li {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    align-items: center;
    gap: 4px 14px;
    padding: 10px 16px;
    border-top: 1px solid ${color.line};
  }
`;

const Columned = styled(Rows)`
  li {
    display: grid;
    grid-template-columns: 1.3fr 0.8fr 1.4fr;
  }
`;

const Empty = styled.p`
  padding: 0 16px 14px;
`;
