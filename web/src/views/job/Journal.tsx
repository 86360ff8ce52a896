import { t } from '../../words/words';
import { useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import type { JournalLine } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { when } from '../../ui/format';
import { Lead, Sheet } from '../../ui/Sheet';

/** Everything that happened, in order, the newest in sight. Nothing is ever taken out. */
export function Journal({ lines }: { lines: readonly JournalLine[] }) {
  const [isWhole, setWhole] = useState(false);
  const strip = useRef<HTMLOListElement>(null);
  useEffect(() => {
    if (strip.current !== null) strip.current.scrollLeft = strip.current.scrollWidth;
  }, [lines.length]);
  return (
    <Sheet>
      <Head>
        <Lead>{t('web.job.journal.history-everything-that-happened-in-order')}</Lead>
        <Small aria-expanded={isWhole} onPress={() => setWhole(!isWhole)}>
          {isWhole ? t('web.job.journal.in-short') : t('web.job.journal.in-full')}
        </Small>
      </Head>
      <Line ref={strip} tabIndex={0} aria-label={t('web.job.journal.history')}>
        {lines.map((line, i) => (
          <Entry
            key={`${line.at}-${i}`}
            data-kind={line.kind}
            data-whole={isWhole || undefined}
            title={`${line.title}, ${line.who}. ${line.detail}`}
          >
            <b>{line.title}</b>
            <span>
              {when(line.at)} · {line.who}
            </span>
            {isWhole && <span>{line.detail}</span>}
          </Entry>
        ))}
      </Line>
    </Sheet>
  );
}

const Head = styled.header`
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  padding: 0 8px 0 16px;
`;

const Small = styled(Button)`
  font-size: ${size.text};
  font-weight: 400;
  padding: 2px 12px;
  border-color: transparent;
`;

const Line = styled.ol`
  display: flex;
  overflow-x: auto;
  padding: 0 16px 6px;
`;

const Entry = styled.li`
  flex: 1 0 170px;
  max-width: 300px;
  display: grid;
  align-content: start;
  gap: 2px;
  padding: 10px 16px 0 0;
  position: relative;
  border-top: 2px solid ${color.line};
  margin-top: 8px;
  font-size: ${size.text};
  span {
    color: ${color.ink2};
    overflow-wrap: anywhere;
  }
  &:not([data-whole]) > * {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  &::before {
    content: '';
    position: absolute;
    top: -7px;
    left: 0;
    width: 12px;
    height: 12px;
    border-radius: 50%;
    background: ${color.clear};
  }
  &[data-kind='INTAKE']::before {
    background: ${color.ink3};
  }
  &[data-kind='DATA_STATUS']::before {
    border-radius: 0;
    background: ${color.hold};
  }
  &[data-kind='DECISION']::before {
    border-radius: 0;
    background: ${color.ink};
  }
  &[data-kind='PROBE']::before {
    background: ${color.sheet};
    border: 2px solid ${color.ink3};
  }
`;
