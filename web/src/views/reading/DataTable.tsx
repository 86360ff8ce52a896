import styled from 'styled-components';
import { color, font, size } from '../../theme/theme';

/** Figures in columns. */
export const DataTable = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: ${size.text};
  th {
    text-align: left;
    font-weight: 400;
    font-size: ${size.text};
    color: ${color.ink2};
    padding: 8px 10px;
  }
  td {
    padding: 0 10px;
    border-top: 1px solid ${color.line};
    overflow-wrap: anywhere;
  }
  .number {
    text-align: right;
  }
  .mono {
    font-family: 'JetBrains Mono Variable', monospace;
    font-size: ${size.text};
    white-space: nowrap;
  }
  .wraps {
    white-space: normal;
  }
  small {
    font-family: ${font.text};
    display: block;
    white-space: normal;
  }
  small {
    font-family: ${font.text};
    font-size: ${size.small};
    color: ${color.ink2};
  }
  tr[data-here] td {
    background: ${color.clearSoft};
  }
`;
