import { t } from '../../words/words';
import { useState } from 'react';
import { Checkbox, CheckboxGroup } from 'react-aria-components';
import styled from 'styled-components';
import type { PlanChoice } from '../../api/types';
import { color, radius, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Row } from '../../ui/Layout';
import { Modal } from '../../ui/Modal';
import { missing } from '../../ui/missing';

/** Remedies that mend; the recovery of data comes on top. */
const MOST = 3;

export interface OwnPlanProps {
  choices: readonly PlanChoice[];
  onClose: () => void;
  /** Remedies by id, in order. */
  onDone: (remedies: readonly string[]) => void;
}

/** A plan of one's own: remedies in the order in which they are ticked. */
export function OwnPlan({ choices, onClose, onDone }: OwnPlanProps) {
  const [ticked, setTicked] = useState<string[]>([]);
  const [text, setText] = useState('');
  const recovery = choices.find((c) => c.recovers)?.id;
  const isFull = ticked.filter((id) => id !== recovery).length >= MOST;
  const shown = choices.filter(
    (c) => ticked.includes(c.id) || c.name.toLowerCase().includes(text.trim().toLowerCase()),
  );
  return (
    <Modal title={t('web.decision.own-plan.put-together-your-own-plan')} isOpen onClose={onClose}>
      <p>{t('web.decision.own-plan.up-to-three-in-the-order')}</p>
      <Field
        label={t('web.decision.own-plan.show-only-what-has')}
        value={text}
        onChange={setText}
      />
      <List
        aria-label={t('web.decision.own-plan.what-is-done-in-the-order')}
        value={ticked}
        onChange={(values) => setTicked(first(recovery, values))}
      >
        {shown.map((choice) => (
          <Choice
            key={choice.id}
            value={choice.id}
            isDisabled={isFull && !ticked.includes(choice.id) && !choice.recovers}
          >
            <Tick aria-hidden>{placeOf(ticked, choice.id)}</Tick>
            <span>
              {choice.name}
              {choice.lock !== null && choice.lock !== undefined && (
                <small>
                  {t('web.decision.own-plan.cannot-be-signed-yet', { opens: choice.lock.opens })}
                </small>
              )}
            </span>
          </Choice>
        ))}
      </List>
      <Row>
        <Button
          primary
          missing={missing([ticked.length > 0, t('web.missing.a-step')])}
          onPress={() => onDone(ticked)}
        >
          {t('web.decision.own-plan.compare-it')}
        </Button>
        <Button onPress={onClose}>{t('web.decision.own-plan.leave-it')}</Button>
      </Row>
    </Modal>
  );
}

/** A copy after what endangers the data would be none. */
const first = (recovery: string | undefined, ids: string[]) =>
  recovery !== undefined && ids.includes(recovery)
    ? [recovery, ...ids.filter((id) => id !== recovery)]
    : ids;

const placeOf = (ticked: readonly string[], id: string) =>
  ticked.includes(id) ? ticked.indexOf(id) + 1 : '';

const List = styled(CheckboxGroup)`
  display: grid;
  max-height: 300px;
  overflow-y: auto;
  border: 1px solid ${color.line};
`;

const Choice = styled(Checkbox)`
  display: grid;
  grid-template-columns: 30px 1fr;
  gap: 12px;
  align-items: center;
  min-height: 44px;
  padding: 4px 12px;
  border-top: 1px solid ${color.line};
  cursor: pointer;
  small {
    display: block;
    font-size: ${size.small};
    color: ${color.holdInk};
  }
  &[data-selected] {
    background: ${color.clearSoft};
  }
  &[data-disabled] {
    color: ${color.ink2};
    cursor: default;
  }
  &[data-focus-visible] {
    outline: 3px solid ${color.leanMark};
    outline-offset: -3px;
  }
`;

const Tick = styled.span`
  width: 28px;
  height: 28px;
  display: grid;
  place-items: center;
  border: 2px solid ${color.ink2};
  border-radius: ${radius};
  font-weight: 700;
  [data-selected] > & {
    background: ${color.act};
    border-color: ${color.act};
    color: ${color.actInk};
  }
`;
