import { t } from '../../words/words';
import { groups } from 'd3-array';
import { Link } from 'react-router';
import styled from 'styled-components';
import type { CustomerLife } from '../../api/types';
import { color, size, upTo } from '../../theme/theme';
import { day, money } from '../../ui/format';
import { Lead, Mono, Sheet, SheetHead, Teach } from '../../ui/Sheet';

type Visit = CustomerLife['jobs'][number];

/** A serial is one machine's; without one, what is called the same counts as the same. */
const machineOf = (visit: Visit) => visit.machineSerial ?? visit.machine;

/** Each machine with its visits, as the newest visit orders them. */
export function machinesOf(jobs: readonly Visit[]): Visit[][] {
  return groups(jobs, machineOf).map(([, visits]) => visits);
}

/** What a customer brought: each machine, and what every visit of it came to. */
export function Machines({ jobs }: { jobs: readonly Visit[] }) {
  return (
    <Sheet>
      <SheetHead>
        <Lead>{t('web.customer.machines.machines-and-their-visits')}</Lead>
      </SheetHead>
      {jobs.length === 0 && <Teach>{t('web.customer.machines.nothing-was-brought-yet')}</Teach>}
      {machinesOf(jobs).map((visits) => (
        <section key={visits[0]?.number}>
          <Machine>
            {visits[0]?.machine}{' '}
            {visits[0]?.machineSerial != null && <Mono>{visits[0].machineSerial}</Mono>}
          </Machine>
          <ul>
            {visits.map((visit) => (
              <VisitLine key={visit.number} visit={visit} />
            ))}
          </ul>
        </section>
      ))}
    </Sheet>
  );
}

function VisitLine({ visit }: { visit: Visit }) {
  return (
    <Line>
      <span>
        <Link to={`/job/${visit.number}`}>
          <Mono>{visit.number}</Mono>
        </Link>
        <small>
          {day(visit.takenInAt)} –{' '}
          {visit.endedAt === null
            ? t('web.customer.customer-view.in-the-shop')
            : day(visit.endedAt)}
        </small>
      </span>
      <span>
        <b>“{visit.complaint}”</b>
        <small>{visit.found}</small>
      </span>
      <span>
        {visit.decided ?? t('web.customer.machines.nothing-decided')}
        <small>{endOf(visit)}</small>
      </span>
    </Line>
  );
}

function endOf({ endedHow, paid, currency }: Visit): string {
  if (endedHow === null) return '';
  if (endedHow === 'WITHDRAWN') return t('web.customer.machines.taken-in-by-mistake');
  return paid === null || currency === null
    ? t('web.customer.machines.handed-back')
    : t('web.customer.machines.handed-back-paid', { paid: money(paid, currency) });
}

const Machine = styled.h3`
  padding: 8px 16px;
  font-size: ${size.body};
  background: ${color.sunken};
  border-top: 1px solid ${color.line};
`;

const Line = styled.li`
  display: grid;
  grid-template-columns: 170px minmax(0, 3fr) minmax(0, 2fr);
  gap: 4px 16px;
  padding: 10px 16px;
  border-top: 1px solid ${color.line};
  overflow-wrap: anywhere;
  small {
    display: block;
    font-size: ${size.text};
    color: ${color.ink2};
  }
  ${upTo.phone} {
    grid-template-columns: minmax(0, 1fr);
  }
`;
