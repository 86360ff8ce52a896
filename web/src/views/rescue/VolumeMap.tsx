import { t } from '../../words/words';
import styled from 'styled-components';
import type { Survey, VolumeNote } from '../../api/types';
import { color, size } from '../../theme/theme';
import { bytes, count } from '../../ui/format';

const WIDTH = 1000;
const HEIGHT = 34;
/** A partition of a few megabytes is still to be seen. */
const MIN = 7;

/** What lies where on a drive, by position; the same below in words. */
export function VolumeMap({ survey }: { survey: Survey }) {
  const scale = WIDTH / survey.sizeBytes;
  return (
    <>
      <Drawing
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        preserveAspectRatio="none"
        role="img"
        aria-label={`${bytes(survey.sizeBytes)}: ${survey.volumes.map((v) => `${v.content} ${bytes(v.bytes)}`).join(', ')}`}
      >
        <rect className="nothing" x={0} y={12} width={WIDTH} height={10} />
        {survey.volumes.map((v) => (
          <rect
            key={v.number}
            className={kindOf(v)}
            x={v.startByte * scale}
            y={2}
            width={Math.max(MIN, v.bytes * scale - 2)}
            height={HEIGHT - 4}
          />
        ))}
      </Drawing>
      <Rows>
        {survey.volumes.map((v) => (
          <li key={v.number}>
            <i data-kind={kindOf(v)} />
            <span>
              <b>{nameOf(v)}</b>: {v.content}, {bytes(v.bytes)}
              {v.usedBytes !== null &&
                v.usedBytes > 0 &&
                t('web.rescue.volume-map.of-it-used', { bytes: bytes(v.usedBytes) })}
              {v.listed &&
                t('web.rescue.volume-map.files-with', {
                  count: count(v.files),
                  bytes: bytes(v.filesBytes),
                })}
              {v.damage.map((d) => (
                <small key={d.offset}>
                  {d.what}
                  {d.backupOffset !== null &&
                    t('web.rescue.volume-map.behind-its-start', {
                      bytes: bytes(d.backupOffset - v.startByte),
                    })}
                  .
                </small>
              ))}
              {v.troubles.slice(0, 3).map((t) => (
                <small key={t}>{t}</small>
              ))}
            </span>
          </li>
        ))}
        {survey.damage.map((d) => (
          <li key={`${d.what}${d.offset}`}>
            <i data-kind="damaged" />
            <span>
              {d.what}
              {d.backupOffset !== null && t('web.rescue.volume-map.a-copy-of-it-is-intact')}.
            </span>
          </li>
        ))}
      </Rows>
    </>
  );
}

function kindOf(v: VolumeNote): string {
  if (v.damage.length > 0 || v.troubles.length > 0) return 'damaged';
  if (v.encrypted) return 'closed';
  return v.listed ? 'open' : 'other';
}

/** "Partition 1, CHOIR"; a volume without a table is the whole drive. */
export function nameOf(v: VolumeNote): string {
  const name =
    v.number === 0
      ? t('web.rescue.volume-map.the-whole-drive')
      : t('web.rescue.volume-map.partition', { number: v.number });
  const label = v.label ?? (v.name === '' ? null : v.name);
  return label === null ? name : `${name}, ${label}`;
}

const Drawing = styled.svg`
  display: block;
  width: 100%;
  height: ${HEIGHT}px;
  rect {
    stroke-width: 1.5;
    vector-effect: non-scaling-stroke;
  }
  .nothing {
    fill: ${color.sunken};
    stroke: ${color.line};
  }
  .open {
    fill: ${color.clearSoft};
    stroke: ${color.clear};
  }
  .other {
    fill: ${color.bar};
    stroke: ${color.ink2};
  }
  .closed {
    fill: ${color.holdSoft};
    stroke: ${color.hold};
    stroke-dasharray: 2 3;
  }
  .damaged {
    fill: ${color.leanSoft};
    stroke: ${color.leanMark};
    stroke-dasharray: 9 4;
  }
`;

const Rows = styled.ul`
  padding-top: 8px;
  li {
    display: grid;
    grid-template-columns: 18px 1fr;
    gap: 10px;
    align-items: start;
    padding: 5px 0;
    overflow-wrap: anywhere;
  }
  small {
    display: block;
    font-size: ${size.text};
    color: ${color.ink2};
  }
  i {
    width: 16px;
    height: 14px;
    margin-top: 3px;
    border: 2px solid ${color.ink2};
    background: ${color.bar};
  }
  i[data-kind='open'] {
    border-color: ${color.clear};
    background: ${color.clearSoft};
  }
  i[data-kind='closed'] {
    border: 2px dotted ${color.hold};
    background: ${color.holdSoft};
  }
  i[data-kind='damaged'] {
    border: 2px dashed ${color.leanMark};
    background: ${color.leanSoft};
  }
`;
