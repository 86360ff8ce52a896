import type { Answers, Intake } from '../../api/types';
import type { Changes } from './useIntake';

/** What every card of the conversation gets. */
export interface StepProps {
  intake: Intake;
  answers: Answers;
  change: (changes: Changes) => void;
  onNext: () => void;
  onSkip: () => void;
}
