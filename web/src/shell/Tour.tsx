import { useState } from 'react';
import { Link } from 'react-router';
import styled from 'styled-components';
import { useFloor } from '../api/queries';
import { t } from '../words/words';
import { color, radius, size, upTo } from '../theme/theme';
import { Button } from '../ui/Button';

/** Kept in this browser: left or walked to its end, it never comes again. */
const KEPT = 'tour-is-over';

/** Where each step is; a job's with the first one on the floor. */
const STEPS = [
  ['/', t('web.shell.tour.floor'), t('web.shell.tour.floor-words')],
  ['/intake', t('web.shell.tour.intake'), t('web.shell.tour.intake-words')],
  ['/job/:number', t('web.shell.tour.job'), t('web.shell.tour.job-words')],
  ['/job/:number/decision', t('web.shell.tour.decision'), t('web.shell.tour.decision-words')],
  ['/know-how', t('web.shell.tour.know-how'), t('web.shell.tour.know-how-words')],
] as const;

/** The demo shop in five steps, for somebody who is here for the first time. */
export function Tour() {
  const [isOver, setOver] = useState(() => localStorage.getItem(KEPT) !== null);
  const [at, setAt] = useState(0);
  const floor = useFloor();
  const number = floor.data?.jobs[0]?.number;
  const step = STEPS[at];
  if (isOver || step === undefined || number === undefined) return null;
  const leave = () => {
    localStorage.setItem(KEPT, 'yes');
    setOver(true);
  };
  const [, title, words] = step;
  const next = STEPS[at + 1];
  return (
    <Card aria-label={t('web.shell.tour.tour')}>
      <small>{t('web.shell.tour.of', { at: at + 1, length: STEPS.length })}</small>
      <b>{title}</b>
      <p>{words}</p>
      <Row>
        <Button onPress={leave}>{t('web.shell.tour.leave')}</Button>
        {next !== undefined && (
          <Link to={next[0].replace(':number', number ?? '')} onClick={() => setAt(at + 1)}>
            {t('web.shell.tour.next', { title: next[1] })}
          </Link>
        )}
      </Row>
    </Card>
  );
}

const Card = styled.aside`
  position: fixed;
  right: 18px;
  bottom: 18px;
  z-index: 5;
  width: min(360px, calc(100vw - 36px));
  display: grid;
  gap: 4px;
  padding: 14px 18px;
  border: 1.5px solid ${color.clear};
  border-radius: ${radius};
  background: ${color.sheet};
  box-shadow: 0 6px 24px ${color.shadow};
  small {
    font-size: ${size.small};
    color: ${color.ink2};
  }
  b {
    font-size: ${size.head};
  }
  ${upTo.phone} {
    right: 8px;
    bottom: 8px;
  }
  @media print {
    display: none;
  }
`;

const Row = styled.div`
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  a {
    display: inline-flex;
    align-items: center;
    min-height: 44px;
    font-weight: 700;
  }
`;
