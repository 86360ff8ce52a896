import { t } from '../../words/words';
import styled from 'styled-components';
import type { Rescue } from '../../api/types';
import { color, size } from '../../theme/theme';
import { bytes } from '../../ui/format';
import { spans } from './bands';

const ROW = 26;
const GAP = 16;

const SOURCE: Record<string, string> = {
  '?': t('web.rescue.bands.not-tried-yet'),
  '+': t('web.rescue.bands.read'),
  '/': t('web.rescue.bands.failed-at-first'),
  '-': t('web.rescue.bands.lost'),
  '.': t('web.rescue.bands.not-in-use'),
};

const COPY: Record<string, string> = {
  ' ': t('web.rescue.bands.nothing'),
  '+': t('web.rescue.bands.written'),
  '=': t('web.rescue.bands.read-again-the-same'),
  '!': t('web.rescue.bands.not-the-same'),
};

/** What is wanted of the drive above, its copy below, on one scale; what is lost hangs between them. */
export function Bands({ rescue }: { rescue: Rescue }) {
  const width = rescue.cells.length;
  const lost = spans(rescue.cells).filter((s) => s.symbol === '-' || s.symbol === '/');
  return (
    <Box>
      <Row>
        <small>{t('web.rescue.bands.drive')}</small>
        <Drawing viewBox={`0 0 ${width} ${ROW}`} aria-label={words(rescue)}>
          {spans(rescue.cells).map((s) => (
            <rect
              key={s.from}
              data-symbol={s.symbol}
              x={s.from}
              width={s.to - s.from}
              height={ROW}
            />
          ))}
        </Drawing>
      </Row>
      <Row>
        <span />
        <Drawing viewBox={`0 0 ${width} ${GAP}`} aria-hidden data-gap>
          {lost.map((s) => (
            <path key={s.from} data-symbol={s.symbol} d={wedge(s.from, s.to)} />
          ))}
        </Drawing>
      </Row>
      <Row>
        <small>{t('web.rescue.bands.copy')}</small>
        <Drawing viewBox={`0 0 ${width} ${ROW}`} aria-hidden>
          {spans(rescue.copyCells).map((s) => (
            <rect key={s.from} data-copy={s.symbol} x={s.from} width={s.to - s.from} height={ROW} />
          ))}
        </Drawing>
      </Row>
      <Keys>
        {Object.entries(SOURCE)
          .filter(([symbol]) => rescue.cells.includes(symbol))
          .map(([symbol, name]) => (
            <span key={symbol}>
              <i data-symbol={symbol} /> {name}
            </span>
          ))}
        {Object.entries(COPY)
          .filter(([symbol]) => symbol !== ' ' && rescue.copyCells.includes(symbol))
          .map(([symbol, name]) => (
            <span key={symbol}>
              <i data-copy={symbol} /> {name}
            </span>
          ))}
        <span>
          {rescue.inUseOnly
            ? t('web.rescue.bands.the-in-use-in-order-of', { bytes: bytes(rescue.wantedBytes) })
            : t('web.rescue.bands.from-0-to', { bytes: bytes(rescue.sizeBytes) })}
        </span>
      </Keys>
    </Box>
  );
}

/** Never so narrow that it is not seen. */
function wedge(from: number, to: number): string {
  const middle = (from + to) / 2;
  const half = Math.max(2.5, (to - from) / 2);
  return `M${middle - half} 0 H${middle + half} L${middle} ${GAP - 2} Z`;
}

function words(r: Rescue): string {
  return t('web.rescue.bands.of-wanted-are-read-are-lost', {
    bytes: bytes(r.wantedBytes),
    bytes2: bytes(r.readBytes),
    bytes3: bytes(r.lostBytes),
    bytes4: bytes(r.openBytes),
  });
}

const Box = styled.div`
  padding: 4px 16px 10px;
`;

const Row = styled.div`
  display: grid;
  grid-template-columns: 46px 1fr;
  align-items: center;
  small {
    font-size: ${size.small};
    color: ${color.ink2};
  }
`;

const Drawing = styled.svg.attrs({ preserveAspectRatio: 'none', role: 'img' })`
  display: block;
  width: 100%;
  height: ${ROW}px;
  background: ${color.sunken};
  border: 1px solid ${color.line};
  &[data-gap] {
    height: ${GAP}px;
    border: 0;
    background: none;
  }
  [data-symbol='+'],
  [data-copy='='] {
    fill: ${color.clear};
  }
  [data-copy='+'] {
    fill: ${color.clear};
    opacity: 0.45;
  }
  [data-symbol='.'],
  [data-copy=' '] {
    fill: none;
  }
  [data-symbol='?'] {
    fill: ${color.bar};
  }
  [data-symbol='/'] {
    fill: ${color.leanMark};
  }
  [data-symbol='-'],
  [data-copy='!'] {
    fill: ${color.implicated};
  }
`;

const Keys = styled.p`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  padding: 8px 0 0 46px;
  font-size: ${size.small};
  color: ${color.ink2};
  span {
    display: inline-flex;
    align-items: center;
    gap: 6px;
  }
  i {
    width: 18px;
    height: 11px;
    border: 1px solid ${color.line};
    background: ${color.sunken};
  }
  [data-symbol='+'],
  [data-copy='='] {
    background: ${color.clear};
  }
  [data-copy='='] {
    outline: 2px solid ${color.clear};
    outline-offset: 1px;
  }
  [data-copy='+'] {
    background: ${color.clear};
    opacity: 0.45;
  }
  [data-symbol='?'] {
    background: ${color.bar};
  }
  [data-symbol='/'] {
    background: ${color.leanMark};
    clip-path: polygon(0 0, 100% 0, 50% 100%);
  }
  [data-symbol='-'],
  [data-copy='!'] {
    background: ${color.implicated};
    clip-path: polygon(0 0, 100% 0, 50% 100%);
  }
`;
