import { say, t } from '../../words/words';
import { useState, type ReactNode } from 'react';
import { Button as Plain } from 'react-aria-components';
import { Link } from 'react-router';
import styled from 'styled-components';
import { api } from '../../api/client';
import { keys, useCall, useSession, useStock } from '../../api/queries';
import type { StockData } from '../../api/types';
import { color, size, upTo } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { TwoColumns } from '../../ui/Layout';
import { bytes, count, fixed } from '../../ui/format';
import { Loaded } from '../../ui/Loaded';
import { ProblemNote } from '../../ui/ProblemNote';
import { Lead, Page, Sheet, SheetHead, Sub, Teach, Title } from '../../ui/Sheet';
import { ModelLives } from './ModelLives';
import { AddToStock } from './AddToStock';

/** Which models fail, and what stands in stock in their place. */
export function StockView() {
  const [text, setText] = useState('');
  const stock = useStock(text);
  return (
    <Loaded query={stock}>{(data) => <Shown stock={data} text={text} onText={setText} />}</Loaded>
  );
}

interface ShownProps {
  stock: StockData;
  text: string;
  onText: (text: string) => void;
}

function Shown({ stock, text, onText }: ShownProps) {
  const [open, setOpen] = useState<string | null>(null);
  return (
    <Page>
      <Title>{stock.finding}</Title>
      <Sub>
        {say('web.stock.stock-view.drives-by-model-worst-first-the', {
          link: (words: ReactNode) => <Link to="/prices">{words}</Link>,
        })}
      </Sub>
      <TwoColumns $side="400px">
        <Sheet>
          <SheetHead>
            <Lead>
              {t('web.stock.stock-view.met', {
                length:
                  stock.models.length === 1
                    ? t('web.stock.stock-view.one-model')
                    : t('web.stock.stock-view.models', { count: count(stock.models.length) }),
              })}
            </Lead>
          </SheetHead>
          <Search>
            <Field label={t('web.stock.stock-view.find-a-model')} value={text} onChange={onText} />
          </Search>
          {stock.models.length === 0 && (
            <Teach>{t('web.stock.stock-view.no-drive-of-that-name-was')}</Teach>
          )}
          <Rows>
            {stock.models.map((m) => (
              <li key={m.model}>
                <Plain
                  aria-expanded={open === m.model}
                  onPress={() => setOpen(open === m.model ? null : m.model)}
                >
                  {m.model}
                </Plain>
                <span>
                  {m.sort === 'FLASH'
                    ? t('web.stock.stock-view.solid-state')
                    : t('web.stock.stock-view.disk')}
                </span>
                <Interval model={m} />
                <span>
                  {t('web.stock.stock-view.of', { count: count(m.replaced), count2: count(m.met) })}
                </span>
                <span>
                  {t('web.stock.stock-view.h-on-average', { count: count(Math.round(m.hours)) })}
                </span>
                {open === m.model && <ModelLives model={m.model} />}
              </li>
            ))}
          </Rows>
        </Sheet>
        <InStock stock={stock} />
      </TwoColumns>
    </Page>
  );
}

function Interval({ model: m }: { model: StockData['models'][number] }) {
  const percent = (share: number) => `${fixed(100 * share, 0)} %`;
  return (
    <Bar
      role="img"
      aria-label={t('web.stock.stock-view.replaced-from-to', {
        percent: percent(m.replaced / m.met),
        percent2: percent(m.low),
        percent3: percent(m.high),
      })}
      viewBox="0 0 100 14"
      preserveAspectRatio="none"
    >
      <line x1={0} x2={100} y1={13} y2={13} className="axis" />
      <rect x={100 * m.low} width={100 * (m.high - m.low)} y={5} height={6} className="range" />
      <rect x={(100 * m.replaced) / m.met - 0.6} width={1.6} y={1} height={12} className="share" />
    </Bar>
  );
}

function InStock({ stock }: { stock: StockData }) {
  const session = useSession();
  const [adding, setAdding] = useState(false);
  const call = useCall(keys.stock);
  const mayChange = session.data?.person?.role !== 'COUNTER';
  const move = (id: number, pieces: number) =>
    call.mutate(() =>
      api.POST('/api/stock/items/{id}/moves', {
        params: { path: { id } },
        body: { pieces, note: pieces > 0 ? 'came' : 'taken' },
      }),
    );
  return (
    <Sheet>
      <SheetHead>
        <Lead>{stockTitle(stock)}</Lead>
        {mayChange && (
          <Button onPress={() => setAdding(true)}>{t('web.stock.stock-view.add-to-stock')}</Button>
        )}
      </SheetHead>
      {stock.items.length === 0 && (
        <Teach>{t('web.stock.stock-view.nothing-is-in-stock-yet-what')}</Teach>
      )}
      <Items>
        {stock.items.map((s) => (
          <li key={s.id}>
            <span>
              <b>{s.model}</b>
              <small>
                {[s.kind, s.bus, s.form, sizeOf(s), s.place]
                  .filter((w) => w !== null && w !== '')
                  .join(', ')}
              </small>
            </span>
            <output aria-label={t('web.stock.stock-view.pieces-of', { model: s.model })}>
              {s.pieces}
            </output>
            {mayChange && (
              <>
                <Button
                  aria-label={t('web.stock.stock-view.take-one', { model: s.model })}
                  isDisabled={s.pieces === 0}
                  isPending={call.isPending}
                  onPress={() => move(s.id, -1)}
                >
                  −
                </Button>
                <Button
                  aria-label={t('web.stock.stock-view.add-one', { model: s.model })}
                  isPending={call.isPending}
                  onPress={() => move(s.id, 1)}
                >
                  +
                </Button>
              </>
            )}
          </li>
        ))}
      </Items>
      {call.isError && <ProblemNote error={call.error} />}
      {adding && <AddToStock onClose={() => setAdding(false)} />}
    </Sheet>
  );
}

/** Memory is counted in powers of two. */
function sizeOf(s: StockData['items'][number]): string | null {
  if (s.bytes === null) return null;
  return s.kind === 'module'
    ? t('web.stock.stock-view.gb', { value: s.bytes / 2 ** 30 })
    : bytes(s.bytes);
}

function stockTitle(stock: StockData): string {
  const pieces = stock.items.reduce((sum, s) => sum + s.pieces, 0);
  return pieces === 1
    ? t('web.stock.stock-view.one-piece-in-stock')
    : t('web.stock.stock-view.pieces-in-stock', { count: count(pieces) });
}

const Search = styled.div`
  padding: 0 16px 10px;
`;

const Rows = styled.ul`
  > li {
    display: grid;
    grid-template-columns: minmax(120px, 1fr) 90px minmax(90px, 200px) 92px 150px;
    ${upTo.phone} {
      grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    }
    gap: 12px;
    align-items: center;
    padding: 9px 16px;
    border-top: 1px solid ${color.line};
    overflow-wrap: anywhere;
  }
  span {
    font-size: ${size.text};
    color: ${color.ink2};
    font-variant-numeric: tabular-nums;
  }
  > li > button {
    min-height: 40px;
    padding: 0;
    border: 0;
    background: none;
    font: inherit;
    font-weight: 700;
    color: ${color.clear};
    text-align: left;
    text-decoration: underline;
    cursor: pointer;
  }
`;

const Bar = styled.svg`
  width: 100%;
  height: 16px;
  .axis {
    stroke: ${color.ink3};
    vector-effect: non-scaling-stroke;
  }
  .range {
    fill: ${color.bar};
  }
  .share {
    fill: ${color.implicated};
  }
`;

const Items = styled.ul`
  li {
    display: grid;
    grid-template-columns: 1fr 40px auto auto;
    gap: 10px;
    align-items: center;
    padding: 8px 16px;
    border-top: 1px solid ${color.line};
    overflow-wrap: anywhere;
  }
  small {
    display: block;
    font-size: ${size.text};
    color: ${color.ink2};
  }
  output {
    font-size: ${size.head};
    font-weight: 700;
    text-align: right;
  }
`;
