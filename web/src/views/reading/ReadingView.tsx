import { say, t } from '../../words/words';
import { useState } from 'react';
import { Tab, TabList, TabPanel, Tabs } from 'react-aria-components';
import { useParams, useSearchParams } from 'react-router';
import styled from 'styled-components';
import { usePageBytes, useReading } from '../../api/queries';
import type { PageBytes, PageView, Reading } from '../../api/types';
import { color, size } from '../../theme/theme';
import { Back, TwoColumns } from '../../ui/Layout';
import { when } from '../../ui/format';
import { Mono, Page, Sheet, Sub, Title } from '../../ui/Sheet';
import { Loaded } from '../../ui/Loaded';
import { AttributeTable } from './AttributeTable';
import { FieldTable } from './FieldTable';
import { HexView } from './HexView';
import { readingTitle } from './readingTitle';
import { sameRange, type Range } from './range';

const NAMES: Record<string, string> = {
  'ata-smart': t('web.reading.reading-view.self-report'),
  'ata-identify': t('web.reading.reading-view.identity'),
  'ata-thresholds': t('web.reading.reading-view.limits'),
};

const ORDER = Object.keys(NAMES);

/** The pages that are asked for most stand first, the others as they came. */
const place = (kind: string) => (ORDER.includes(kind) ? ORDER.indexOf(kind) : ORDER.length);

/** One reading down to its bytes. */
export function ReadingView() {
  const { id = '' } = useParams();
  const reading = useReading(id);
  return <Loaded query={reading}>{(data) => <Shown key={id} reading={data} />}</Loaded>;
}

function Shown({ reading }: { reading: Reading }) {
  const [search] = useSearchParams();
  const asked = rangeFrom(search);
  const pages = [...reading.pages].sort((a, b) => place(a.kind) - place(b.kind));
  const [page, setPage] = useState(search.get('page') ?? pages[0]?.kind ?? '');
  const [range, setRange] = useState<Range | null>(asked);
  return (
    <Page>
      {reading.job !== null && (
        <Back to={`/job/${reading.job}`}>
          ‹ {reading.job} {reading.machine}
        </Back>
      )}
      <Title>{readingTitle(reading)}</Title>
      <Sub>
        {t('web.reading.reading-view.read-by-probe-the-bytes-are', {
          drive: reading.drive,
          when: when(reading.takenAt),
          probeVersion: reading.probeVersion,
        })}
      </Sub>
      <Tabs
        selectedKey={page}
        onSelectionChange={(key) => {
          setPage(String(key));
          setRange(null);
        }}
      >
        <Bar aria-label={t('web.reading.reading-view.pages')}>
          {pages.map((p) => (
            <PageTab key={p.kind} id={p.kind}>
              {NAMES[p.kind] ?? p.standardName} <small>{stateWords(p)}</small>
            </PageTab>
          ))}
        </Bar>
        {pages.map((p) => (
          <TabPanel key={p.kind} id={p.kind}>
            <OnePage reading={reading} page={p} range={range} onRange={setRange} />
          </TabPanel>
        ))}
      </Tabs>
    </Page>
  );
}

interface PageTableProps {
  reading: Reading;
  page: PageView;
  range: Range | null;
  onRange: (range: Range) => void;
}

/** Fields and bytes side by side: either points at the other. */
function OnePage({ reading, page, range, onRange }: PageTableProps) {
  const bytes = usePageBytes(reading.id, page.outcome === 'GOT' ? page.kind : '');
  const fields = bytes.data?.fields ?? [];
  const shown = rangeOf(page, range);
  const field = shown === null ? undefined : fields.find((f) => sameRange(shown, f));
  const under = (offset: number) =>
    fields
      .filter((f) => offset >= f.offset && offset < f.offset + f.length)
      .sort((a, b) => a.length - b.length)[0];
  return (
    <TwoColumns $side="auto" $gapAbove={false}>
      <Sheet>
        <PageTable reading={reading} page={page} fields={fields} range={range} onRange={onRange} />
      </Sheet>
      <Beside>
        {page.hex === null ? (
          <Teach>{say('web.reading.reading-view.there-are-no-bytes', { why: page.why })}</Teach>
        ) : (
          <HexView
            name={page.standardName}
            hex={page.hex}
            range={shown}
            meaning={field === undefined ? '' : `${field.name}: ${valueWords(field)}`}
            onByte={(offset) => {
              const here = under(offset);
              onRange({ offset: here?.offset ?? offset, length: here?.length ?? 1 });
            }}
          />
        )}
      </Beside>
    </TwoColumns>
  );
}

function valueWords(field: PageBytes['fields'][number]): string {
  return field.value === null
    ? t('web.reading.reading-view.not-reported')
    : `${field.value} ${field.unit}`.trim();
}

function PageTable({
  reading,
  page,
  fields,
  range,
  onRange,
}: PageTableProps & { fields: PageBytes['fields'] }) {
  if (page.outcome !== 'GOT') {
    return (
      <Teach>
        <b>
          {page.outcome === 'NOT_REPORTED'
            ? t('web.reading.reading-view.the-drive-does-not-report-it')
            : t('web.reading.reading-view.it-could-not-be-read')}
        </b>{' '}
        {page.why}
      </Teach>
    );
  }
  if (page.damage !== null) {
    return (
      <Teach role="note">
        {say('web.reading.reading-view.at-byte-the-standard-wants-there', {
          what: page.damage.what,
          offset: page.damage.offset,
          mono: <Mono>{page.damage.expected}</Mono>,
          mono2: <Mono>{page.damage.found}</Mono>,
        })}
      </Teach>
    );
  }
  if (page.kind === 'ata-identify') {
    return <FieldTable fields={reading.identify} range={range} onRange={onRange} />;
  }
  if (page.kind !== 'ata-smart' && page.kind !== 'ata-thresholds') {
    return <FieldTable fields={fields} range={range} onRange={onRange} />;
  }
  return (
    <AttributeTable
      attributes={reading.attributes}
      smart={page.kind === 'ata-smart' ? reading.smart : null}
      range={range}
      onRange={onRange}
    />
  );
}

function stateWords(page: PageView): string {
  if (page.outcome === 'NOT_REPORTED') return t('web.reading.reading-view.not-reported');
  if (page.outcome === 'COULD_NOT_RUN') return t('web.reading.reading-view.could-not-be-read');
  return page.damage === null
    ? t('web.reading.reading-view.sound')
    : t('web.reading.reading-view.damaged');
}

/** A damaged page points at its damage unless something else was chosen. */
function rangeOf(page: PageView, chosen: Range | null): Range | null {
  if (chosen !== null || page.damage === null) return chosen;
  return { offset: page.damage.offset, length: 1 };
}

function rangeFrom(search: URLSearchParams): Range | null {
  const offset = Number(search.get('offset'));
  const length = Number(search.get('length'));
  return Number.isInteger(offset) && Number.isInteger(length) && length > 0
    ? { offset, length }
    : null;
}

const Bar = styled(TabList)`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 12px 0 -1px;
`;

const PageTab = styled(Tab)`
  padding: 10px 18px;
  min-height: 44px;
  border: 1px solid ${color.line};
  border-radius: 4px 4px 0 0;
  background: ${color.sunken};
  font-weight: 700;
  cursor: pointer;
  small {
    font-weight: 400;
    font-size: ${size.text};
    color: ${color.ink2};
  }
  &[data-selected] {
    background: ${color.sheet};
    border-bottom-color: ${color.sheet};
    box-shadow: inset 0 3px 0 ${color.clear};
  }
`;

/** Stays in sight while the table scrolls. */
const Beside = styled(Sheet)`
  position: sticky;
  top: 8px;
`;

const Teach = styled.p`
  padding: 18px;
`;
