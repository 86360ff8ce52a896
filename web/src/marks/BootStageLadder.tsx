import { t } from '../words/words';
import styled from 'styled-components';
import { color, size, upTo } from '../theme/theme';

export interface BootStageLadderProps {
  /** From nothing to desktop. */
  levels: readonly string[];
  /** The last rung that works; null if nobody knows. */
  bootStage: string | null;
}

const NAMES: Record<string, string> = {
  nothing: t('web.marks.boot-stage-ladder.nothing'),
  power: t('web.marks.boot-stage-ladder.power'),
  picture: t('web.marks.boot-stage-ladder.picture'),
  firmware: t('web.marks.boot-stage-ladder.firmware'),
  loader: t('web.marks.boot-stage-ladder.loader'),
  recovery: t('web.marks.boot-stage-ladder.recovery'),
  limited: t('web.marks.boot-stage-ladder.limited'),
  desktop: t('web.marks.boot-stage-ladder.desktop'),
};

/** How far the machine gets when it is switched on. */
export function BootStageLadder({ levels, bootStage }: BootStageLadderProps) {
  const at = bootStage === null ? -1 : levels.indexOf(bootStage);
  const said =
    bootStage === null
      ? t('web.marks.boot-stage-ladder.not-known')
      : (NAMES[bootStage] ?? bootStage);
  return (
    <Ladder aria-label={t('web.marks.boot-stage-ladder.how-far-it-gets', { said })}>
      {levels.slice(1).map((level, i) => (
        <Rung
          key={level}
          data-reached={at >= i + 1 || undefined}
          data-here={at === i + 1 || undefined}
          aria-current={at === i + 1 ? 'step' : undefined}
        >
          <span>{NAMES[level] ?? level}</span>
        </Rung>
      ))}
      {bootStage === null && (
        <Unknown>{t('web.marks.boot-stage-ladder.how-far-it-gets-not-known')}</Unknown>
      )}
    </Ladder>
  );
}

const Ladder = styled.ol`
  display: flex;
  flex: 0 1 430px;
  ${upTo.wide} {
    flex-basis: 270px;
  }
  max-width: 430px;
  position: relative;
  padding-bottom: 2px;
`;

const Rung = styled.li`
  flex: 1;
  border-top: 4px solid ${color.line};
  padding-top: 8px;
  text-align: center;
  font-size: ${size.small};
  color: ${color.ink2};
  /* Narrow: only the rung that it gets to has its name in sight. */
  ${upTo.wide} {
    &:not([data-here]) span {
      position: absolute;
      width: 1px;
      height: 1px;
      overflow: hidden;
      clip-path: inset(50%);
      white-space: nowrap;
    }
    &[data-here] {
      white-space: nowrap;
    }
  }
  &[data-reached] {
    border-top-color: ${color.clear};
  }
  &[data-here] {
    font-weight: 700;
    color: ${color.ink};
    position: relative;
  }
  &[data-here]::after {
    content: '';
    position: absolute;
    right: -1px;
    top: -9px;
    width: 3px;
    height: 14px;
    background: ${color.implicated};
  }
`;

const Unknown = styled.li`
  position: absolute;
  top: -16px;
  right: 0;
  font-size: ${size.small};
  color: ${color.ink2};
`;
