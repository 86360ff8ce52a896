import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { useRecords } from '../../api/queries';
import type { RecordRow, RecordsData } from '../../api/types';
import { t } from '../../words/words';
import { color, size } from '../../theme/theme';
import { dated, fixed, ofHundred } from '../../ui/format';
import { TwoColumns } from '../../ui/Layout';
import { Loaded } from '../../ui/Loaded';
import { shopNow } from '../../ui/now';
import { Plot } from '../../ui/plot/Plot';
import { Select } from '../../ui/Select';
import { Lead, Page, Sheet, SheetHead, Sub, Teach, Title } from '../../ui/Sheet';
import { DataTable, type Column } from '../../ui/table/DataTable';
import { byMonth, grouped, heldShare, type Group } from './recordGroups';

const MONTHS = ['3', '12', '24', '120'] as const;
type Months = (typeof MONTHS)[number];

/** What jobs came to: how they were decided, and how that turned out. */
export function RecordsView() {
  const [asked, ask] = useSearchParams();
  const chosen = MONTHS.find((m) => m === asked.get('months')) ?? '12';
  const to = shopNow();
  const from = new Date(to);
  from.setMonth(from.getMonth() - Number(chosen));
  const records = useRecords(isoDay(from), isoDay(to));
  return (
    <Page>
      <Loaded query={records}>
        {(data) => <Shown data={data} months={chosen} onMonths={(months) => ask({ months })} />}
      </Loaded>
    </Page>
  );
}

const isoDay = (at: Date) =>
  `${at.getFullYear()}-${String(at.getMonth() + 1).padStart(2, '0')}-${String(at.getDate()).padStart(2, '0')}`;

interface ShownProps {
  data: RecordsData;
  months: Months;
  onMonths: (months: Months) => void;
}

function Shown({ data, months, onMonths }: ShownProps) {
  const { jobs } = data;
  const back = jobs.filter((job) => job.held === false).length;
  return (
    <>
      <Head>
        <div>
          <Title>{t('web.records.records-view.title', { jobs: data.inAll, back })}</Title>
          <Sub>{t('web.records.records-view.held-means')}</Sub>
        </div>
        <Select
          label={t('web.records.records-view.of-the-last')}
          labelAt="beside"
          value={months}
          onChange={onMonths}
          options={MONTHS.map((m) => [
            m,
            t('web.records.records-view.months', { months: Number(m) }),
          ])}
        />
      </Head>
      {jobs.length === 0 ? (
        <Sheet>
          <Teach>{t('web.records.records-view.nothing-ended')}</Teach>
        </Sheet>
      ) : (
        <>
          <TwoColumns $side="minmax(320px, 42%)">
            <ByMonth jobs={jobs} />
            <Trust data={data} />
          </TwoColumns>
          <Groups jobs={jobs} />
          <Jobs jobs={jobs} inAll={data.inAll} />
        </>
      )}
    </>
  );
}

function ByMonth({ jobs }: { jobs: readonly RecordRow[] }) {
  const months = byMonth(jobs);
  const name = t('web.records.records-view.jobs-ended');
  return (
    <Sheet>
      <SheetHead>
        <Lead>{t('web.records.records-view.by-month')}</Lead>
      </SheetHead>
      <Padded>
        <Plot
          label={months.map((m) => `${dated(new Date(m.at), MONTH)}: ${m.jobs}`).join(', ')}
          data={{
            title: name,
            x: { kind: 'time', name: t('web.ui.plot.when') },
            y: { unit: t('web.records.records-view.jobs'), from: 0, digits: 0 },
            series: [
              { name, points: months.map((m) => [m.at, m.jobs]), dots: true },
              {
                name: t('web.records.records-view.came-back'),
                points: months.map((m) => [m.at, m.back]),
                faint: true,
              },
            ],
          }}
          height={190}
        />
      </Padded>
    </Sheet>
  );
}

const DAY = { day: 'numeric', month: 'short', year: 'numeric' } as const;
const MONTH = { month: 'short', year: '2-digit' } as const;

/** What was stated when plans were signed, beside what came of it. */
function Trust({ data }: { data: RecordsData }) {
  const { bins, jobs, brier } = data.reliability;
  const said = (x: number) => 100 * x;
  return (
    <Sheet>
      <SheetHead>
        <Lead>{t('web.records.records-view.our-chances')}</Lead>
        <small>{t('web.records.records-view.jobs-counted', { jobs })}</small>
      </SheetHead>
      {bins.length === 0 ? (
        <Teach>{t('web.records.records-view.no-plan-yet')}</Teach>
      ) : (
        <Padded>
          <Plot
            label={bins
              .map((b) =>
                t('web.records.records-view.said-held', {
                  said: ofHundred(b.said),
                  held: ofHundred(b.held),
                  jobs: b.jobs,
                }),
              )
              .join('; ')}
            data={{
              title: t('web.records.records-view.our-chances'),
              x: {
                kind: 'number',
                name: t('web.records.records-view.said'),
                unit: '%',
                from: 0,
                to: 100,
              },
              y: { unit: t('web.records.records-view.held-unit'), from: 0, to: 100, digits: 0 },
              series: [
                {
                  name: t('web.records.records-view.held'),
                  points: bins.map((b) => [said(b.said), said(b.held)]),
                  dots: true,
                },
                {
                  name: t('web.records.records-view.as-said'),
                  points: [
                    [0, 0],
                    [100, 100],
                  ],
                  faint: true,
                },
              ],
              band: bins.map((b) => [said(b.said), said(b.low), said(b.high)] as const),
            }}
            height={190}
          />
          <small>{t('web.records.records-view.brier', { brier: fixed(brier, 3) })}</small>
        </Padded>
      )}
    </Sheet>
  );
}

function Groups({ jobs }: { jobs: readonly RecordRow[] }) {
  const none = t('web.records.records-view.none');
  return (
    <Three>
      <GroupTable
        title={t('web.records.records-view.by-cause')}
        groups={grouped(jobs, (job) => job.cause ?? none)}
      />
      <GroupTable
        title={t('web.records.records-view.by-maker')}
        groups={grouped(jobs, (job) => job.maker)}
      />
      <GroupTable
        title={t('web.records.records-view.by-person')}
        groups={grouped(jobs, (job) => job.decidedBy ?? none)}
      />
    </Three>
  );
}

const spanWords = (days: number) =>
  days < 1
    ? t('web.records.records-view.hours-value', { hours: fixed(24 * days, 1) })
    : t('web.records.records-view.days-value', { days: fixed(days, 1) });

const SHOWN = 6;

function GroupTable({ title, groups }: { title: string; groups: readonly Group[] }) {
  return (
    <Sheet>
      <SheetHead>
        <Lead>{title}</Lead>
      </SheetHead>
      <Small>
        <thead>
          <tr>
            <th scope="col" />
            <th scope="col">{t('web.records.records-view.jobs')}</th>
            <th scope="col">{t('web.records.records-view.held-in-100')}</th>
            <th scope="col">{t('web.records.records-view.days')}</th>
          </tr>
        </thead>
        <tbody>
          {groups.slice(0, SHOWN).map((group) => (
            <tr key={group.name}>
              <th scope="row">{group.name === '' ? '–' : group.name}</th>
              <td>{group.jobs}</td>
              <td>{heldShare(group)}</td>
              <td>{spanWords(group.medianDays)}</td>
            </tr>
          ))}
        </tbody>
      </Small>
    </Sheet>
  );
}

function Jobs({ jobs, inAll }: { jobs: readonly RecordRow[]; inAll: number }) {
  const columns = useMemo(() => columnsOf(), []);
  return (
    <Sheet>
      <SheetHead>
        <Lead>{t('web.records.records-view.every-job')}</Lead>
        {inAll > jobs.length && (
          <small>
            {t('web.records.records-view.newest-of', { shown: jobs.length, all: inAll })}
          </small>
        )}
      </SheetHead>
      <Padded>
        <DataTable
          label={t('web.records.records-view.every-job')}
          columns={columns}
          rows={jobs}
          rowKey={(job) => job.number}
        />
      </Padded>
    </Sheet>
  );
}

function columnsOf(): Column<RecordRow>[] {
  return [
    {
      id: 'number',
      name: t('web.records.records-view.job'),
      value: (job) => job.number,
      cell: (job) => <Link to={`/job/${job.number}`}>{job.number}</Link>,
    },
    {
      id: 'ended',
      name: t('web.records.records-view.ended'),
      value: (job) => job.endedAt,
      cell: (job) => dated(new Date(job.endedAt), DAY),
      wide: 1.1,
    },
    {
      id: 'machine',
      name: t('web.records.records-view.machine'),
      value: (job) => job.machine,
      wide: 1.6,
    },
    {
      id: 'customer',
      name: t('web.records.records-view.customer'),
      value: (job) => job.customer,
      cell: (job) => <Link to={`/customer/${job.customerId}`}>{job.customer}</Link>,
      wide: 1.6,
    },
    {
      id: 'cause',
      name: t('web.records.records-view.cause'),
      value: (job) => job.cause,
      wide: 1.6,
    },
    {
      id: 'stated',
      name: t('web.records.records-view.said-column'),
      value: (job) => job.stated,
      cell: (job) => (job.stated === null ? '–' : ofHundred(job.stated)),
      right: true,
    },
    {
      id: 'held',
      name: t('web.records.records-view.outcome'),
      value: heldWords,
      wide: 1.2,
    },
    {
      id: 'by',
      name: t('web.records.records-view.decided-by'),
      value: (job) => job.decidedBy,
    },
    {
      id: 'minutes',
      name: t('web.records.records-view.hands-min'),
      value: (job) => Math.round(job.handsMinutes),
      right: true,
    },
    {
      id: 'moves',
      name: t('web.records.records-view.moves'),
      value: (job) => job.moves,
      right: true,
    },
    {
      id: 'vain',
      name: t('web.records.records-view.in-vain'),
      value: (job) => job.vainMoves,
      right: true,
    },
  ];
}

function heldWords(job: RecordRow): string {
  if (job.held === null) return t('web.records.records-view.too-early');
  return job.held ? t('web.records.records-view.held') : t('web.records.records-view.came-back');
}

const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 12px;
`;

const Padded = styled.div`
  padding: 0 16px 12px;
  small {
    font-size: ${size.small};
    color: ${color.ink2};
  }
`;

const Three = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: 12px;
  margin: 12px 0;
  align-items: start;
`;

const Small = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: ${size.text};
  th,
  td {
    padding: 4px 8px 4px 0;
    text-align: right;
    font-weight: 400;
    white-space: nowrap;
  }
  thead th {
    font-size: ${size.small};
    color: ${color.ink2};
  }
  th:first-child {
    text-align: left;
    padding-left: 16px;
    width: 52%;
    white-space: normal;
  }
  td:last-child,
  thead th:last-child {
    padding-right: 16px;
  }
  tbody tr {
    border-top: 1px solid ${color.line};
  }
`;
