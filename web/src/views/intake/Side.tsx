import styled from 'styled-components';
import type { Answers, Intake, Script } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { color, size } from '../../theme/theme';
import { ofHundred } from '../../ui/format';
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
      <Box aria-label="What it could be">
        <h2>What it could be, from talk alone</h2>
        <small>No test yet. This only chooses the first one.</small>
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
      <Box aria-label="Ask next">
        <h2>Ask next</h2>
        {next.length === 0 ? (
          <small>No open question would tell more. Take it in.</small>
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
                  <span>{ask.bits.toFixed(2)} bit</span>
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
            ? 'The owner signed that everything may be erased.'
            : 'Nothing will be written to its drives before a copy is verified.'}
        </span>
      </Data>
    </>
  );
}

function dataTitle(answers: Answers): string {
  if (answers.waiver != null) return 'The data: not wanted, signed';
  if (answers.dataWanted == null) return 'The data: not asked yet, counts as wanted';
  return answers.dataWanted
    ? 'The data: wanted'
    : 'The data: not wanted, not signed: counts as wanted';
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
