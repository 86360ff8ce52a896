import { Dialog, DialogTrigger, Popover } from 'react-aria-components';
import styled from 'styled-components';
import { t } from '../../words/words';
import { color, radius } from '../../theme/theme';
import { Button } from '../Button';
import { Tick } from '../Tick';

export interface ColumnChoiceProps {
  columns: readonly { id: string; name: string; isShown: boolean; toggle: () => void }[];
}

/** Which columns are shown. */
export function ColumnChoice({ columns }: ColumnChoiceProps) {
  return (
    <DialogTrigger>
      <Button>{t('web.ui.table.column-choice.columns')}</Button>
      <Popup>
        <Choices aria-label={t('web.ui.table.column-choice.columns')}>
          {columns.map((column) => (
            <Tick key={column.id} isSelected={column.isShown} onChange={column.toggle}>
              {column.name}
            </Tick>
          ))}
        </Choices>
      </Popup>
    </DialogTrigger>
  );
}

const Popup = styled(Popover)`
  border: 1.5px solid ${color.ink3};
  border-radius: ${radius};
  background: ${color.sheet};
  color: ${color.ink};
`;

const Choices = styled(Dialog)`
  display: grid;
  padding: 8px 14px;
  outline: none;
`;
