import styled from 'styled-components';
import { color } from '../../theme/theme';
import { StepTimer } from './StepTimer';

export interface StepListProps {
  steps: readonly { words: string; waitSeconds: number }[];
}

/** What is done, in order; a step that waits has its timer. */
export function StepList({ steps }: StepListProps) {
  return (
    <Steps>
      {steps.map((step, i) => (
        <li key={`${i} ${step.words}`}>
          {step.words}
          {step.waitSeconds > 0 && <StepTimer seconds={step.waitSeconds} />}
        </li>
      ))}
    </Steps>
  );
}

const Steps = styled.ol`
  padding-left: 22px;
  list-style: decimal;
  display: grid;
  align-content: start;
  gap: 8px;
  li::marker {
    color: ${color.ink2};
  }
`;
