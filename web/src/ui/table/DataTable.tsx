import {
  columnFilteringFeature,
  columnVisibilityFeature,
  createFilteredRowModel,
  createSortedRowModel,
  filterFns,
  globalFilteringFeature,
  rowSortingFeature,
  tableFeatures,
  useTable,
  type ColumnDef,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { csvFormatRows } from 'd3-dsv';
import { useMemo, useRef, type ReactNode } from 'react';
import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';
import { t } from '../../words/words';
import { color, size } from '../../theme/theme';
import { Button } from '../Button';
import { Field } from '../Field';
import { count } from '../format';
import { save } from '../save';
import { ColumnChoice } from './ColumnChoice';

export interface Column<Row> {
  id: string;
  name: string;
  /** What it is sorted, filtered and written to files by. */
  value: (row: Row) => string | number | null;
  /** What stands in its cell; the value if not said. */
  cell?: (row: Row) => ReactNode;
  /** Numbers stand at the right. */
  right?: boolean;
  /** Width share. */
  wide?: number;
}

export interface DataTableProps<Row extends object> {
  /** What it lists: its name and that of its file. */
  label: string;
  columns: readonly Column<Row>[];
  rows: readonly Row[];
  rowKey: (row: Row) => string;
}

const features = tableFeatures({
  rowSortingFeature,
  columnFilteringFeature,
  globalFilteringFeature,
  columnVisibilityFeature,
  sortedRowModel: createSortedRowModel(),
  filteredRowModel: createFilteredRowModel(),
  filterFns: { includesString: filterFns.includesString },
});

const ROW_PX = 40;

/** Rows to sort, filter and take along; only those in sight are drawn. */
export function DataTable<Row extends object>({
  label,
  columns,
  rows,
  rowKey,
}: DataTableProps<Row>) {
  const scroll = useRef<HTMLDivElement>(null);
  const defined = useMemo<ColumnDef<typeof features, Row>[]>(
    () =>
      columns.map((column) => ({
        id: column.id,
        header: column.name,
        accessorFn: (row: Row) => column.value(row) ?? undefined,
        sortUndefined: 'last' as const,
      })),
    [columns],
  );
  const table = useTable({
    features,
    columns: defined,
    data: rows as Row[],
    enableSortingRemoval: false,
    globalFilterFn: 'includesString',
    getColumnCanGlobalFilter: () => true,
  });
  const shown = table.getRowModel().rows;
  // No compiler memoizes here: nothing can become stale.
  // eslint-disable-next-line react-hooks/incompatible-library
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => scroll.current,
    estimateSize: () => ROW_PX,
    overscan: 12,
    // Before it is laid out, and where nothing is, some rows are drawn all the same.
    initialRect: { width: 900, height: 480 },
  });
  const visible = table.getVisibleLeafColumns().map((column) => column.id);
  const drawn = columns.filter((column) => visible.includes(column.id));
  const grid = drawn.map((column) => `minmax(0, ${column.wide ?? 1}fr)`).join(' ');
  const csv = () =>
    csvFormatRows([
      drawn.map((column) => column.name),
      ...shown.map(({ original }) => drawn.map((column) => String(column.value(original) ?? ''))),
    ]);
  return (
    <Box>
      <Tools>
        <Field
          label={t('web.ui.table.data-table.filter')}
          value={(table.state.globalFilter as string | undefined) ?? ''}
          onChange={(text) => table.setGlobalFilter(text)}
        />
        <small role="status">
          {t('web.ui.table.data-table.of', { shown: count(shown.length), all: count(rows.length) })}
        </small>
        <ColumnChoice
          columns={table.getAllLeafColumns().map((column) => ({
            id: column.id,
            name: columns.find((c) => c.id === column.id)?.name ?? column.id,
            isShown: column.getIsVisible(),
            toggle: () => column.toggleVisibility(),
          }))}
        />
        <Button onPress={() => save(label, 'csv', 'text/csv', csv())}>
          {t('web.ui.table.data-table.csv')}
        </Button>
      </Tools>
      <Scroll ref={scroll} tabIndex={0} role="region" aria-label={label}>
        <Table role="table" aria-label={label} aria-rowcount={shown.length + 1}>
          <Head role="rowgroup">
            <Line role="row" style={{ gridTemplateColumns: grid }} aria-rowindex={1}>
              {drawn.map((column) => {
                const of = table.getColumn(column.id);
                const sorted = of?.getIsSorted() ?? false;
                return (
                  <span
                    key={column.id}
                    role="columnheader"
                    data-right={column.right || undefined}
                    aria-sort={
                      sorted === false ? 'none' : sorted === 'asc' ? 'ascending' : 'descending'
                    }
                  >
                    <Sort onPress={() => of?.toggleSorting()}>
                      {column.name}
                      <span aria-hidden>{MARK[String(sorted)]}</span>
                    </Sort>
                  </span>
                );
              })}
            </Line>
          </Head>
          <div role="rowgroup" style={{ height: virtual.getTotalSize(), position: 'relative' }}>
            {virtual.getVirtualItems().map((item) => {
              const row = shown[item.index];
              if (row === undefined) return null;
              return (
                <Line
                  key={rowKey(row.original)}
                  role="row"
                  aria-rowindex={item.index + 2}
                  style={{
                    gridTemplateColumns: grid,
                    position: 'absolute',
                    insetInline: 0,
                    top: item.start,
                    height: item.size,
                  }}
                >
                  {drawn.map((column) => (
                    <span key={column.id} role="cell" data-right={column.right || undefined}>
                      {column.cell?.(row.original) ?? column.value(row.original) ?? '–'}
                    </span>
                  ))}
                </Line>
              );
            })}
          </div>
        </Table>
      </Scroll>
    </Box>
  );
}

const MARK: Record<string, string> = { asc: ' ▲', desc: ' ▼', false: '' };

const Box = styled.div`
  display: grid;
  gap: 8px;
`;

const Tools = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 10px;
  small {
    flex: 1;
    padding-bottom: 12px;
    font-size: ${size.text};
    color: ${color.ink2};
  }
`;

const Scroll = styled.div`
  max-height: 62vh;
  overflow: auto;
  border-top: 1px solid ${color.line};
`;

const Table = styled.div`
  min-width: 760px;
  font-size: ${size.text};
`;

const Head = styled.div`
  position: sticky;
  top: 0;
  z-index: 1;
  background: ${color.sheet};
`;

const Line = styled.div`
  display: grid;
  gap: 10px;
  align-items: center;
  border-bottom: 1px solid ${color.line};
  padding: 0 4px;
  > span {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }
  > [data-right] {
    text-align: right;
  }
`;

const Sort = styled(AriaButton)`
  font: inherit;
  font-weight: 700;
  font-size: ${size.small};
  color: ${color.ink2};
  min-height: 44px;
  padding: 0;
  border: 0;
  background: none;
  cursor: pointer;
`;
