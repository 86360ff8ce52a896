import { t } from '../../words/words';
import styled from 'styled-components';
import type { Isolation } from '../../api/types';
import { SuspicionMark } from '../../marks/SuspicionMark';
import { color } from '../../theme/theme';
import { ofHundred } from '../../ui/format';
import { Lead, Sheet, SheetHead } from '../../ui/Sheet';

/** What may be to blame, likeliest first. */
export function Suspects({ isolation }: { isolation: Isolation }) {
  return (
    <Sheet>
      <SheetHead>
        <Lead>{t('web.isolate.suspects.under-suspicion')}</Lead>
        <small>{t('web.isolate.suspects.of-100')}</small>
      </SheetHead>
      <List>
        {isolation.suspects.map((suspect) => (
          <li key={suspect.words}>
            <SuspicionMark suspicion={suspect.suspicion} size={22} />
            <span>{suspect.words}</span>
            <Bar aria-hidden="true">
              <i style={{ inlineSize: `${100 * suspect.probability}%` }} />
            </Bar>
            <b>{ofHundred(suspect.probability)}</b>
          </li>
        ))}
      </List>
    </Sheet>
  );
}

const List = styled.ul`
  padding-bottom: 8px;
  li {
    display: grid;
    grid-template-columns: 26px minmax(0, 1fr) 90px 34px;
    gap: 10px;
    align-items: center;
    padding: 6px 16px;
    overflow-wrap: anywhere;
  }
  b {
    text-align: right;
  }
`;

const Bar = styled.span`
  height: 10px;
  background: ${color.ground};
  i {
    display: block;
    height: 100%;
    background: ${color.ink3};
  }
`;
