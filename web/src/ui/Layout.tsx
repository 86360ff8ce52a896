import styled from 'styled-components';

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
