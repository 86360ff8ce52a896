import { t } from '../../words/words';
import styled from 'styled-components';
import type { Answers, Intake, Script } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { color, size } from '../../theme/theme';
import { ofHundred, fixed } from '../../ui/format';
import { RowButton } from '../../ui/RowButton';
import { Sheet } from '../../ui/Sheet';
import type { Step } from './steps';

export interface SideProps {
  intake: Intake;
  script: Script;
  answers: Answers;
  current: Step | null;
  onGo: (step: Step) => void;
}

/** What it could be from talk alone, which question would tell most, and where the data stands. */
export function Side({ intake, script, answers, current, onGo }: SideProps) {
  const next = intake.ask.filter((a) => a.bits >= 0.005).slice(0, 5);
  return (
    <>
      <Box aria-label={t('web.intake.side.what-it-could-be')}>
        <h2>{t('web.intake.side.what-it-could-be-from-talk')}</h2>
        <small>{t('web.intake.side.no-test-yet-this-only-chooses')}</small>
        <ul>
          {intake.causes.map((cause) => (
            <Cause key={cause.name}>
              <SuspicionMark suspicion={cause.suspicion} size={18} />
              <span>{cause.name}</span>
              <Bar aria-hidden="true">
                <i
                  style={{ width: `${100 * cause.probability}%` }}
                  data-suspicion={cause.suspicion}
                />
              </Bar>
              <b>{ofHundred(cause.probability)}</b>
            </Cause>
          ))}
        </ul>
      </Box>
      <Box aria-label={t('web.intake.side.ask-next')}>
        <h2>{t('web.intake.side.ask-next')}</h2>
        {next.length === 0 ? (
          <small>{t('web.intake.side.no-open-question-would-tell-more')}</small>
        ) : (
          <ul>
            {next.map((ask, i) => (
              <li key={ask.question}>
                <Ask
                  data-here={current === `q:${ask.question}` || undefined}
                  onPress={() => onGo(`q:${ask.question}`)}
                >
                  <span data-most={i === 0 || undefined}>
                    {script.questions.find((q) => q.id === ask.question)?.ask}
                  </span>
                  <span>{t('web.intake.side.bit', { bits: fixed(ask.bits, 2) })}</span>
                </Ask>
              </li>
            ))}
          </ul>
        )}
      </Box>
      <Data>
        <strong>{dataTitle(answers)}</strong>
        <span>
          {answers.waiver != null
            ? t('web.intake.side.the-owner-signed-that-everything-may')
            : t('web.intake.side.nothing-will-be-written-to-its')}
        </span>
      </Data>
    </>
  );
}

function dataTitle(answers: Answers): string {
  if (answers.waiver != null) return t('web.intake.side.the-data-not-wanted-signed');
  if (answers.dataWanted == null) return t('web.intake.side.the-data-not-asked-yet-counts');
  return answers.dataWanted
    ? t('web.intake.side.the-data-wanted')
    : t('web.intake.side.the-data-not-wanted-not-signed');
}

const Box = styled(Sheet)`
  padding: 14px 16px;
  h2 {
    font-size: ${size.head};
  }
  small {
    color: ${color.ink2};
  }
  ul {
    margin-top: 8px;
  }
`;

const Cause = styled.li`
  display: grid;
  grid-template-columns: 22px 1fr 70px 34px;
  gap: 8px;
  align-items: center;
  min-height: 32px;
  b {
    text-align: right;
  }
`;

const Bar = styled.span`
  height: 9px;
  background: ${color.sunken};
  border: 1px solid ${color.line};
  i {
    display: block;
    height: 100%;
    background: ${color.bar};
  }
  i[data-suspicion='LEANING'] {
    background: ${color.leanMark};
  }
  i[data-suspicion='IMPLICATED'] {
    background: ${color.implicated};
  }
`;

const Ask = styled(RowButton)`
  grid-template-columns: 1fr auto;
  gap: 10px;
  min-height: 40px;
  align-items: center;
  padding: 4px 6px;
  border-top: 1px solid ${color.line};
  span[data-most] {
    font-weight: 700;
  }
  span:last-child {
    font-family: 'JetBrains Mono Variable', monospace;
    font-size: ${size.text};
  }
`;

const Data = styled.section`
  display: grid;
  gap: 2px;
  padding: 12px 16px;
  border-left: 5px solid ${color.hold};
  background: ${color.holdSoft};
  color: ${color.holdInk};
`;
