import styled from 'styled-components';
import { asProblem } from '../api/client';
import { color, radius } from '../theme/theme';

export interface ProblemNoteProps {
  error: unknown;
}

/** An error in three parts: what happened, what was kept, what to do. */
export function ProblemNote({ error }: ProblemNoteProps) {
  const problem = asProblem(error);
  return (
    <Note role="alert">
      <strong>{problem.message}</strong> <span>{problem.kept}</span> <span>{problem.toDo}</span>
    </Note>
  );
}

const Note = styled.p`
  padding: 12px 14px;
  border: 1.5px solid ${color.implicated};
  border-left-width: 6px;
  border-radius: ${radius};
  background: ${color.sheet};
`;
