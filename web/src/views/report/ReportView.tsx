import { say, t } from '../../words/words';
import type { ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import styled from 'styled-components';
import { address } from '../../api/client';
import { useReport } from '../../api/queries';
import type { Report } from '../../api/types';
import { color, radius, size } from '../../theme/theme';
import { when } from '../../ui/format';
import { Plot } from '../../ui/plot/Plot';
import { ExchangeCard } from '../exchange/ExchangeCard';
import { Loaded } from '../../ui/Loaded';
import { Page } from '../../ui/Sheet';
import { OwnersLanguage } from '../customer/OwnersLanguage';

/** What the owner takes home, and the evidence behind it. */
export function ReportView() {
  const { number = '' } = useParams();
  const report = useReport(number);
  return <Loaded query={report}>{(data) => <Shown report={data} />}</Loaded>;
}

const pdf = (number: string, paper: 'A4' | 'LETTER') =>
  address('/api/jobs/{number}/report.pdf', { number }, { paper });

function Shown({ report }: { report: Report }) {
  return (
    <Page>
      <Bar>
        <Link to={`/job/${report.number}`}>
          ‹ {report.number} {report.machine}
        </Link>
        <span>
          <OwnersLanguage customer={report.ownerId} language={report.language} />
          <Paper href={pdf(report.number, 'A4')} target="_blank" rel="noopener">
            {t('web.report.report-view.pdf-a4')}
          </Paper>
          <Paper href={pdf(report.number, 'LETTER')} target="_blank" rel="noopener">
            {t('web.report.report-view.pdf-letter')}
          </Paper>
        </span>
      </Bar>
      <OwnersPage lang={report.language.toLowerCase()}>
        <small>
          {report.shop !== '' && `${report.shop} · `}
          {report.words.shop}
        </small>
        <h1>{report.title}</h1>
        <small>
          {report.owner} · {report.machine}
          {report.serial !== null && ` · ${report.serial}`}
          <br />
          {report.job} · {report.printed}
        </small>
        {report.sections.map((s) => (
          <section key={s.heading}>
            <h2>{s.heading}</h2>
            {s.lines.map((line) => (
              <p key={line}>{line}</p>
            ))}
          </section>
        ))}
        {report.plots.length > 0 && (
          <Plots>
            {report.plots.map((plot) => (
              <figure key={plot.title}>
                <figcaption>{plot.title}</figcaption>
                <Plot
                  still
                  label={t('web.report.report-view.from-to-at-most', {
                    title: plot.title,
                    from: plot.from,
                    to: plot.to,
                    most: plot.most,
                    unit: plot.unit,
                  })}
                  data={{
                    title: plot.title,
                    x: { kind: 'number', name: '', ends: [plot.from, plot.to] },
                    y: { unit: plot.unit, from: 0, to: plot.most },
                    series: [{ name: plot.title, points: plot.points.map((p) => [p.x, p.y]) }],
                  }}
                  height={150}
                />
              </figure>
            ))}
          </Plots>
        )}
        {report.advice.length > 0 && (
          <section>
            <h2>{report.words.advice}</h2>
            {report.advice.map((a) => (
              <p key={a.title}>
                <b>{a.title}.</b> {a.text}
              </p>
            ))}
          </section>
        )}
      </OwnersPage>
      <AnnexPage report={report} />
      <ExchangeCard number={report.number} />
    </Page>
  );
}

function AnnexPage({ report }: { report: Report }) {
  const { annex, words } = report;
  return (
    <OwnersPage>
      <h2>{words.annex}</h2>
      <small>{words.annexLead}</small>
      <h3>{words.runs}</h3>
      {annex.runs.length === 0 && <p>{words.none}</p>}
      <ul>
        {annex.runs.map((r) => (
          <li key={r.id}>
            {say('web.report.report-view.of', {
              time: (words: ReactNode) => <time>{words}</time>,
              when: when(r.at),
              name: r.name,
              part: r.part,
              outcome: r.outcome,
              value: r.detail !== '' && ` (${r.detail})`,
            })}
          </li>
        ))}
      </ul>
      <h3>{words.readings}</h3>
      {annex.readings.length === 0 && <p>{words.none}</p>}
      <ul>
        {annex.readings.map((r) => (
          <li key={r.id}>
            <time>{when(r.at)}</time>{' '}
            <Link to={`/reading/${r.id}`}>
              {t('web.report.report-view.what-said-of-itself', { part: r.part })}
            </Link>
          </li>
        ))}
      </ul>
      <h3>{words.steps}</h3>
      {annex.steps.length === 0 && <p>{words.none}</p>}
      <ul>
        {annex.steps.map((s) => (
          <li key={`${s.at} ${s.title}`}>
            <time>{when(s.at)}</time> {s.title}
            {s.words !== '' && `: ${s.words}`} ({s.by})
          </li>
        ))}
      </ul>
    </OwnersPage>
  );
}

const Bar = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
  padding-bottom: 10px;
  > span {
    display: flex;
    gap: 8px;
  }
  @media print {
    display: none;
  }
`;

const Paper = styled.a`
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  padding: 0 16px;
  border: 1px solid ${color.line};
  border-radius: ${radius};
  background: ${color.sheet};
  color: ${color.ink};
  font-weight: 600;
  text-decoration: none;
`;

const OwnersPage = styled.article`
  max-width: 820px;
  margin: 0 auto 14px;
  padding: 34px 44px;
  border: 1px solid ${color.line};
  background: ${color.sheet};
  overflow-wrap: anywhere;
  h1 {
    font-size: ${size.figure};
    line-height: 1.2;
    padding: 4px 0 6px;
  }
  h2 {
    margin-top: 16px;
    padding-top: 10px;
    border-top: 1px solid ${color.line};
    font-size: ${size.head};
    color: ${color.clear};
  }
  h3 {
    padding: 12px 0 4px;
    font-size: ${size.body};
  }
  p,
  li {
    padding-top: 5px;
    line-height: 1.5;
  }
  li {
    font-size: ${size.text};
  }
  small {
    font-size: ${size.text};
    color: ${color.ink2};
  }
  time {
    display: inline-block;
    min-width: 120px;
    color: ${color.ink2};
  }
  @media print {
    border: 0;
    padding: 0;
    break-after: page;
  }
`;

const Plots = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(300px, 1fr));
  gap: 20px;
  padding-top: 16px;
  figcaption {
    padding-bottom: 6px;
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;
