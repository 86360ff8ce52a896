import { say, t } from '../../words/words';
import { useEffect, useRef, type ReactNode } from 'react';
import styled from 'styled-components';
import { color, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Sheet } from '../../ui/Sheet';

export interface CardProps {
  title: string;
  hint?: string;
  /** What the main button says. */
  next: string;
  onNext: () => void;
  /** Leaves the question open. */
  onSkip: () => void;
  /** "The owner does not know": an answer of its own, never "no". */
  onUnknown?: () => void;
  /** What the main button still waits for. */
  missing?: readonly string[];
  /** What it began is under way. */
  isPending?: boolean;
  children: ReactNode;
}

/** One question at a time. Enter goes on, Escape skips; the first control has the focus. */
export function Card({
  title,
  hint,
  next,
  onNext,
  onSkip,
  onUnknown,
  missing = [],
  isPending = false,
  children,
}: CardProps) {
  const box = useRef<HTMLDivElement>(null);
  const goOn = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    const first = box.current?.querySelector<HTMLElement>(
      'input:not([type=radio]), textarea, [data-first]',
    );
    (first ?? box.current?.querySelector<HTMLElement>('button'))?.focus();
  }, [title]);
  return (
    <Asked
      ref={box}
      role="group"
      aria-label={title}
      // Before a choice sees it: Space chooses, Enter goes on as soon as that is possible.
      onKeyDownCapture={(event) => {
        const target = event.target instanceof HTMLElement ? event.target : null;
        const newLine = target instanceof HTMLTextAreaElement && event.shiftKey;
        if (event.key === 'Enter' && !newLine && target?.closest('[data-do]') == null) {
          event.preventDefault();
          event.stopPropagation();
          // By the button: it says why not.
          goOn.current?.click();
        } else if (event.key === 'Escape') {
          event.preventDefault();
          event.stopPropagation();
          onSkip();
        }
      }}
    >
      <Head>
        <h2>{title}</h2>
        {hint !== undefined && hint !== '' && <span>{hint}</span>}
      </Head>
      {children}
      <Row>
        <Button ref={goOn} primary data-do onPress={onNext} missing={missing} isPending={isPending}>
          {next} <kbd>Enter</kbd>
        </Button>
        {onUnknown !== undefined && (
          <Button data-do onPress={onUnknown}>
            {t('web.intake.card.owner-does-not-know')}
          </Button>
        )}
        <Button data-do onPress={onSkip}>
          {say('web.intake.card.skip', { kbd: <kbd>Esc</kbd> })}
        </Button>
        <small>{t('web.intake.card.skipped-answers-stay-unknown-nothing-is')}</small>
      </Row>
    </Asked>
  );
}

const Asked = styled(Sheet).attrs({ as: 'div' })`
  border-left: 5px solid ${color.mat};
  padding: 16px 20px;
  display: grid;
  gap: 14px;
`;

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 12px;
  h2 {
    font-size: ${size.title};
  }
  span {
    color: ${color.ink2};
  }
`;

const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
  kbd {
    font: inherit;
    font-size: ${size.small};
    font-weight: 400;
    border: 1px solid currentcolor;
    border-radius: 3px;
    padding: 0 5px;
    margin-left: 6px;
  }
  small {
    color: ${color.ink2};
  }
`;
