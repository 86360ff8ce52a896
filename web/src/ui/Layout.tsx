import { Link } from 'react-router';
import styled from 'styled-components';
import { color, upTo } from '../theme/theme';

/** Controls beside each other, below where there is no room. */
export const Row = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
`;

/** Fields with their button: on one base line. */
export const FieldRow = styled.form`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 10px;
`;

/** One below the other. */
export const Stack = styled.div`
  display: grid;
  gap: 12px;
`;

/** Back to where this view belongs. */
export const Back = styled(Link)`
  display: inline-block;
  padding: 6px 0;
  color: ${color.ink2};
`;

/**
 * What the view is about, and beside it what belongs to it; below each other where there is no
 * room.
 */
export const TwoColumns = styled.div<{ $side?: string; $gapAbove?: boolean }>`
  display: grid;
  grid-template-columns: minmax(0, 1fr) ${({ $side }) => $side ?? 'minmax(300px, 360px)'};
  gap: 12px;
  align-items: start;
  margin-top: ${({ $gapAbove }) => ($gapAbove === false ? 0 : '12px')};
  ${upTo.middle} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
