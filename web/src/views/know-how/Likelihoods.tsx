import { t } from '../../words/words';
import { useState } from 'react';
import { Input, TextField } from 'react-aria-components';
import styled from 'styled-components';
import type { KnowHowChoices } from '../../api/types';
import { color, radius, size } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Select } from '../../ui/Select';
import { fitted, rowProblem, type Row } from './draft';

export interface LikelihoodsProps {
  /** Over the first column. */
  head: string;
  columns: readonly string[];
  rows: readonly Row[];
  names: KnowHowChoices['causes'];
  /** Name of the row without an id. */
  nobody?: string;
  /** Whether each row must come to 100. */
  distribution: boolean;
  onChange: (rows: Row[]) => void;
}

/** A table of numbers of 100, to be typed; rows come and go. */
export function Likelihoods({
  head,
  columns,
  rows: typed,
  names,
  nobody = '',
  distribution,
  onChange,
}: LikelihoodsProps) {
  // Columns come and go while the outcomes are typed.
  const rows = fitted(typed, columns);
  const nameOf = (id: string) =>
    id === '' ? nobody : (names.find((n) => n.id === id)?.name ?? id);
  const free = names.filter((n) => rows.every((row) => row.id !== n.id));
  const [next, setNext] = useState('');
  const add = free.some((n) => n.id === next) ? next : (free[0]?.id ?? '');
  const set = (at: number, column: number, text: string) =>
    onChange(
      rows.map((row, i) =>
        i === at ? { ...row, values: row.values.map((v, j) => (j === column ? text : v)) } : row,
      ),
    );
  return (
    <Box>
      <table>
        <thead>
          <tr>
            <th scope="col">{head}</th>
            {columns.map((column) => (
              <th key={column} scope="col">
                {column}
              </th>
            ))}
            <th aria-label={t('web.know-how.likelihoods.take-out')} />
          </tr>
        </thead>
        <tbody>
          {rows.map((row, at) => {
            const problem = distribution ? rowProblem(row) : null;
            return (
              <tr key={row.id}>
                <th scope="row">
                  {nameOf(row.id)}
                  {problem !== null && <small role="alert">{problem}</small>}
                </th>
                {row.values.map((value, column) => (
                  <td key={column}>
                    <TextField
                      aria-label={t('web.know-how.likelihoods.of-100', {
                        nameOf: nameOf(row.id),
                        columns: columns[column] ?? '',
                      })}
                      inputMode="decimal"
                      value={value}
                      onChange={(text) => set(at, column, text)}
                    >
                      <Input />
                    </TextField>
                  </td>
                ))}
                <td>
                  {row.id !== '' && row.id !== 'any' && (
                    <Button
                      aria-label={t('web.know-how.likelihoods.take-out-2', {
                        nameOf: nameOf(row.id),
                      })}
                      onPress={() => onChange(rows.filter((_, i) => i !== at))}
                    >
                      ×
                    </Button>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      {free.length > 0 && (
        <Add>
          <Select
            label={t('web.know-how.likelihoods.one-more')}
            labelAt="beside"
            value={add}
            options={free.map((n) => [n.id, n.name] as const)}
            onChange={setNext}
          />
          <Button
            onPress={() =>
              onChange([
                ...rows,
                { id: add, values: columns.map((_, i) => (distribution && i === 0 ? '100' : '0')) },
              ])
            }
          >
            {t('web.know-how.likelihoods.add-it')}
          </Button>
        </Add>
      )}
    </Box>
  );
}

const Box = styled.div`
  overflow-x: auto;
  table {
    border-collapse: collapse;
  }
  th {
    text-align: left;
    font-weight: 400;
    padding: 2px 12px 2px 0;
    small {
      display: block;
      font-size: ${size.text};
      color: ${color.implicated};
    }
  }
  thead th {
    color: ${color.ink2};
    font-size: ${size.text};
    vertical-align: bottom;
  }
  input {
    font: inherit;
    font-variant-numeric: tabular-nums;
    text-align: right;
    width: 84px;
    min-height: 44px;
    padding: 4px 8px;
    border: 1.5px solid ${color.ink3};
    border-radius: ${radius};
    background: ${color.sheet};
    color: ${color.ink};
  }
  td {
    padding: 2px 8px 2px 0;
  }
`;

const Add = styled.div`
  display: flex;
  gap: 8px;
  align-items: center;
  margin-top: 8px;
`;
