import { t } from '../../words/words';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { CustomerLife } from '../../api/types';
import { color, size } from '../../theme/theme';
import { money, when } from '../../ui/format';
import { Lead, Mono, Sheet, SheetHead, Teach } from '../../ui/Sheet';

type Agreed = CustomerLife['agreed'][number];

const WHAT: Record<Agreed['what'], string> = {
  ESTIMATE_SIGNED: t('web.customer.agreements.estimate-signed'),
  ESTIMATE_BY_PHONE: t('web.customer.agreements.estimate-agreed-by-phone'),
  ESTIMATE_REFUSED: t('web.customer.agreements.estimate-refused'),
  DATA: t('web.customer.agreements.said-of-the-data'),
  DRIVE_SIGNED_AWAY: t('web.customer.agreements.signed-data-may-be-erased'),
  NO_PROOF: t('web.customer.agreements.signed-taken-without-proof'),
  TAKEN_BACK: t('web.customer.agreements.taken-back'),
};

/** What a customer signed, agreed to by phone, or refused. Newest first. */
export function Agreements({ agreed }: { agreed: readonly Agreed[] }) {
  return (
    <Sheet>
      <SheetHead>
        <Lead>{t('web.customer.agreements.signed-and-agreed')}</Lead>
      </SheetHead>
      {agreed.length === 0 && <Teach>{t('web.customer.agreements.nothing-was-signed-yet')}</Teach>}
      <ul>
        {agreed.map((entry) => (
          <Entry
            key={`${entry.what} ${entry.job} ${entry.at}`}
            data-void={entry.revoked || undefined}
          >
            <b>
              {WHAT[entry.what]}
              {entry.upTo !== null &&
                entry.currency !== null &&
                ` ${t('web.customer.agreements.at-most', { amount: money(entry.upTo, entry.currency) })}`}
            </b>
            <span>{entry.words}</span>
            <small>
              <Link to={`/job/${entry.job}`}>
                <Mono>{entry.job}</Mono>
              </Link>{' '}
              · {entry.signer} · {when(entry.at)}
              {entry.revoked && ` · ${t('web.customer.agreements.taken-back-later')}`}
              {entry.fromElsewhere && ` · ${t('web.customer.agreements.from-another-shop')}`}
            </small>
          </Entry>
        ))}
      </ul>
    </Sheet>
  );
}

const Entry = styled.li`
  display: grid;
  gap: 2px;
  padding: 10px 16px;
  border-top: 1px solid ${color.line};
  overflow-wrap: anywhere;
  font-size: ${size.text};
  small {
    font-size: ${size.small};
    color: ${color.ink2};
  }
  &[data-void] > span {
    text-decoration: line-through;
  }
`;
