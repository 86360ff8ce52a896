import { say, t } from '../../words/words';
import { useState } from 'react';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, useReadPart } from '../../api/queries';
import type { FromStock, Job, StepPart, WorkStep } from '../../api/types';
import { color, radius, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Row } from '../../ui/Layout';
import { Modal } from '../../ui/Modal';
import { ProblemNote } from '../../ui/ProblemNote';
import { missing } from '../../ui/missing';

export interface StepPartCardProps {
  job: Job;
  step: WorkStep;
  part: StepPart;
}

/** The part that a step needs: what fits from stock, what was ordered, what is set aside. */
export function StepPartCard({ job, step, part }: StepPartCardProps) {
  const call = useCall(keys.job(job.number), keys.floor, keys.stock);
  const [isOrdering, setOrdering] = useState(false);
  const params = { path: { number: job.number, remedy: step.id } };
  const { version } = job;
  const take = (stock: number) =>
    call.mutate(() =>
      api.POST('/api/jobs/{number}/steps/{remedy}/part/take', { params, body: { version, stock } }),
    );
  const orderEnds = (came: boolean) =>
    call.mutate(() =>
      api.POST('/api/jobs/{number}/steps/{remedy}/part/order-end', {
        params,
        body: { version, came },
      }),
    );
  const putBack = () =>
    call.mutate(() =>
      api.POST('/api/jobs/{number}/steps/{remedy}/part/put-back', { params, body: { version } }),
    );
  const fitting = part.stock.filter((item) => item.misfit === null || item.misfit === undefined);
  const others = part.stock.filter((item) => !fitting.includes(item));
  return (
    <Card aria-label={t('web.job.step-part-card.part-for', { name: step.name })}>
      <p>
        <b>{t('web.job.step-part-card.part', { need: part.need })}</b>
        {part.supplyWords !== '' && <span> · {part.supplyWords}</span>}
      </p>
      {part.supply === 'NEEDED' && (
        <>
          {fitting.length === 0 && (
            <p>{t('web.job.step-part-card.nothing-in-stock-is-known-to')}</p>
          )}
          {fitting.map((item) => (
            <Item key={item.id}>
              <span>
                {say('web.job.step-part-card.in-stock', {
                  model: item.model,
                  whereOf: whereOf(item),
                })}
              </span>
              <Small
                aria-label={t('web.job.step-part-card.take-it', { model: item.model })}
                isPending={call.isPending}
                onPress={() => take(item.id)}
              >
                {t('web.job.step-part-card.take-it-2')}
              </Small>
            </Item>
          ))}
          <Row>
            <Small onPress={() => setOrdering(true)}>{t('web.job.step-part-card.order-one')}</Small>
          </Row>
          {others.length > 0 && (
            <details>
              <summary>
                {t('web.job.step-part-card.others-in-stock', { length: others.length })}
              </summary>
              {others.map((item) => (
                <Item key={item.id}>
                  <span>
                    <b>{item.model}</b>
                    {whereOf(item)}: {item.misfit}
                  </span>
                  <Small
                    aria-label={t('web.job.step-part-card.take-it-all-the-same', {
                      model: item.model,
                    })}
                    isPending={call.isPending}
                    onPress={() => take(item.id)}
                  >
                    {t('web.job.step-part-card.take-it-all-the-same-2')}
                  </Small>
                </Item>
              ))}
            </details>
          )}
        </>
      )}
      {part.supply === 'ORDERED' && (
        <Row>
          <Small isPending={call.isPending} onPress={() => orderEnds(true)}>
            {t('web.job.step-part-card.it-has-come')}
          </Small>
          <Small isPending={call.isPending} onPress={() => orderEnds(false)}>
            {t('web.job.step-part-card.call-it-off')}
          </Small>
        </Row>
      )}
      {part.supply === 'HERE' && step.state !== 'OPEN' && (
        <Row>
          <Small isPending={call.isPending} onPress={putBack}>
            {t('web.job.step-part-card.put-it-back')}
          </Small>
        </Row>
      )}
      {part.fittedWords !== '' && <Fitted data-state={part.fitted}>{part.fittedWords}.</Fitted>}
      {(part.fitted === 'NOT_READ' || part.fitted === 'STILL_THE_OLD_ONE') && (
        <ReadNow job={job} part={part} />
      )}
      {call.isError && <ProblemNote error={call.error} />}
      {isOrdering && <Order job={job} step={step} part={part} onClose={() => setOrdering(false)} />}
    </Card>
  );
}

/** The part tells who it is only when it is read. */
function ReadNow({ job, part }: { job: Job; part: StepPart }) {
  const read = useReadPart(job.number);
  if (part.readKey === null) return null;
  const isOn = job.bay?.probe?.online === true;
  const isBeingRead = job.pending.some(
    (request) => request.partKey === part.readKey && request.refusedWhy === null,
  );
  const partKey = part.readKey;
  return (
    <>
      <Row>
        <Small
          isDisabled={!isOn || isBeingRead}
          isPending={read.isPending}
          onPress={() => read.mutate({ partKey })}
        >
          {isBeingRead
            ? t('web.job.step-part-card.it-is-being-read')
            : t('web.job.step-part-card.read-which-one-is-in')}
        </Small>
        {!isOn && <span>{t('web.job.step-part-card.the-probe-is-not-connected-start')}</span>}
      </Row>
      {read.isError && <ProblemNote error={read.error} />}
    </>
  );
}

const whereOf = (item: FromStock) =>
  t('web.job.step-part-card.there', {
    place: item.place === '' ? t('web.job.step-part-card.in-stock-2') : item.place,
    pieces: item.pieces,
  });

interface OrderProps extends StepPartCardProps {
  onClose: () => void;
}

function Order({ job, step, part, onClose }: OrderProps) {
  const call = useCall(keys.job(job.number), keys.floor);
  const [words, setWords] = useState(part.need);
  const [supplier, setSupplier] = useState('');
  const [day, setDay] = useState('');
  const lacks = missing(
    [words.trim() !== '', t('web.job.step-part-card.which-part')],
    [supplier.trim() !== '', t('web.job.step-part-card.the-supplier')],
  );
  return (
    <Modal title={t('web.job.step-part-card.order-a-part')} isOpen onClose={onClose}>
      <Field
        label={t('web.job.step-part-card.which-part-2')}
        value={words}
        onChange={setWords}
        maxLength={200}
      />
      <Field
        label={t('web.job.step-part-card.supplier')}
        value={supplier}
        onChange={setSupplier}
        maxLength={120}
      />
      <Field
        label={t('web.job.step-part-card.expected-on')}
        type="date"
        value={day}
        onChange={setDay}
        hint={t('web.job.step-part-card.the-job-s-likely-end-follows')}
      />
      {call.isError && <ProblemNote error={call.error} />}
      <Row>
        <Button
          primary
          missing={lacks}
          isPending={call.isPending}
          onPress={() =>
            call.mutate(
              () =>
                api.POST('/api/jobs/{number}/steps/{remedy}/part/order', {
                  params: { path: { number: job.number, remedy: step.id } },
                  body: {
                    version: job.version,
                    words,
                    supplier,
                    expectedOn: day === '' ? null : day,
                  },
                }),
              { onSuccess: onClose },
            )
          }
        >
          {t('web.job.step-part-card.it-is-ordered')}
        </Button>
        <Button onPress={onClose}>{t('web.job.step-part-card.leave-it')}</Button>
      </Row>
    </Modal>
  );
}

const Card = styled.section`
  display: grid;
  gap: 6px;
  padding: 8px 12px;
  border: 1px solid ${color.line};
  border-radius: ${radius};
  background: ${color.sheet};
  color: ${color.ink};
  font-size: ${size.text};
  summary {
    min-height: 44px;
    display: flex;
    align-items: center;
    cursor: pointer;
    text-decoration: underline;
  }
`;

const Item = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 12px;
`;

const Small = styled(Button)`
  font-size: ${size.text};
  padding: 4px 12px;
`;

const Fitted = styled.p`
  font-weight: 700;
  &[data-state='ANOTHER_ONE'] {
    color: ${color.clear};
  }
`;
