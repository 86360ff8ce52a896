import { csvFormatRows } from 'd3-dsv';
import { useState, type RefObject } from 'react';
import { Button } from 'react-aria-components';
import styled from 'styled-components';
import { t } from '../../words/words';
import { color, radius, size } from '../../theme/theme';
import { save } from '../save';
import type { PlotData } from './plotData';
import { valueWords, xWords } from './plotWords';
import type { Zoom } from './useZoom';

export interface PlotToolsProps {
  data: PlotData;
  svg: RefObject<SVGSVGElement | null>;
  /** Where there are many points. */
  zoom?: Zoom;
  /** Around which it goes closer. */
  middle?: number;
}

/** The same numbers as a table, and the picture and the numbers as files. */
export function PlotTools({ data, svg, zoom, middle = 0 }: PlotToolsProps) {
  const [isTable, setTable] = useState(false);
  return (
    <>
      <Row>
        {zoom !== undefined && (
          <>
            <Small onPress={() => zoom.closer(middle)}>{t('web.ui.plot.plot-tools.closer')}</Small>
            {zoom.shown !== null && (
              <Small onPress={zoom.whole}>{t('web.ui.plot.plot-tools.all-of-it')}</Small>
            )}
          </>
        )}
        <Small aria-expanded={isTable} onPress={() => setTable(!isTable)}>
          {isTable ? t('web.ui.plot.plot-tools.hide-the-table') : t('web.ui.plot.plot-tools.table')}
        </Small>
        <Small onPress={() => save(data.title, 'csv', 'text/csv', csvOf(data))}>
          {t('web.ui.plot.plot-tools.csv')}
        </Small>
        <Small onPress={() => save(data.title, 'svg', 'image/svg+xml', svgOf(svg.current))}>
          {t('web.ui.plot.plot-tools.svg')}
        </Small>
      </Row>
      {isTable && <Numbers data={data} />}
    </>
  );
}

function Numbers({ data }: { data: PlotData }) {
  return (
    <Scroll tabIndex={0} role="group" aria-label={data.title}>
      <table>
        <caption>{data.title}</caption>
        <thead>
          <tr>
            <th scope="col">{data.x.name}</th>
            {data.series.map((s) => (
              <th key={s.name} scope="col">
                {s.name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rowsOf(data).map(([x, values]) => (
            <tr key={x}>
              <th scope="row">{xWords(data, x)}</th>
              {values.map((value, i) => (
                <td key={data.series[i]?.name}>{value === null ? '–' : valueWords(data, value)}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </Scroll>
  );
}

/** By place, what each series has there; null where it has nothing. */
function rowsOf(data: PlotData): [number, (number | null)[]][] {
  const places = [...new Set(data.series.flatMap((s) => s.points.map((p) => p[0])))];
  const known = data.series.map((s) => new Map(s.points.map((p) => [p[0], p[1]])));
  return places.sort((a, b) => a - b).map((x) => [x, known.map((of) => of.get(x) ?? null)]);
}

/** Numbers as computers read them, times by ISO 8601. */
function csvOf(data: PlotData): string {
  const head = [data.x.name, ...data.series.map((s) => `${s.name} [${data.y.unit}]`)];
  const at = (x: number) => (data.x.kind === 'time' ? new Date(x).toISOString() : String(x));
  return csvFormatRows([
    head,
    ...rowsOf(data).map(([x, values]) => [
      at(x),
      ...values.map((value) => (value === null ? '' : String(value))),
    ]),
  ]);
}

const STYLED = ['fill', 'stroke', 'stroke-width', 'stroke-dasharray', 'font-size', 'font-family'];

/** The picture with its styles written into it, so that it looks the same elsewhere. */
function svgOf(svg: SVGSVGElement | null): string {
  if (svg === null) return '';
  const copy = svg.cloneNode(true) as SVGSVGElement;
  const from = [...svg.querySelectorAll('*')];
  [...copy.querySelectorAll('*')].forEach((element, i) => {
    const source = from[i];
    if (source === undefined) return;
    const looks = getComputedStyle(source);
    STYLED.forEach((name) => element.setAttribute(name, looks.getPropertyValue(name)));
  });
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  return new XMLSerializer().serializeToString(copy);
}

const Row = styled.div`
  display: flex;
  justify-content: flex-end;
  gap: 4px;
  @media print {
    display: none;
  }
`;

const Small = styled(Button)`
  font: inherit;
  font-size: ${size.small};
  min-height: 32px;
  min-width: 44px;
  padding: 2px 8px;
  border: 0;
  border-radius: ${radius};
  background: none;
  color: ${color.ink2};
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
`;

const Scroll = styled.div`
  max-height: 260px;
  overflow: auto;
  font-size: ${size.small};
  table {
    border-collapse: collapse;
    width: 100%;
  }
  caption {
    text-align: left;
    color: ${color.ink2};
  }
  th,
  td {
    padding: 3px 8px 3px 0;
    border-top: 1px solid ${color.line};
    text-align: left;
    font-weight: 400;
  }
`;
