import { useEffect, useState } from 'react';
import { useLocation } from 'react-router';
import styled from 'styled-components';
import { t } from '../words/words';
import { color, size } from '../theme/theme';
import { Modal } from '../ui/Modal';
import { isTyping } from './isTyping';

type Line = readonly [keys: string, does: string];

const EVERYWHERE: readonly Line[] = [
  ['1 – 9', t('web.shell.keys-help.to-the-bay')],
  ['/', t('web.shell.keys-help.find')],
  ['?', t('web.shell.keys-help.these-keys')],
  ['Tab', t('web.shell.keys-help.next-control')],
  ['Esc', t('web.shell.keys-help.close')],
];

/** What each view answers to besides. */
const OF_VIEW: readonly (readonly [path: RegExp, lines: readonly Line[]])[] = [
  [/^\/job\/[^/]+$/, [['N', t('web.shell.keys-help.next-move')]]],
  [
    /^\/intake\//,
    [
      ['1 – 9', t('web.shell.keys-help.choose-an-answer')],
      ['Enter', t('web.shell.keys-help.take-the-answer')],
      ['Esc', t('web.shell.keys-help.skip-the-question')],
    ],
  ],
  [
    /^\/drive\//,
    [
      ['+ −', t('web.shell.keys-help.zoom-the-profile')],
      ['← →', t('web.shell.keys-help.move-the-profile')],
      ['0', t('web.shell.keys-help.whole-profile')],
    ],
  ],
  [/^\/reading\//, [['← → ↑ ↓', t('web.shell.keys-help.byte-to-byte')]]],
  [/^\/(battery|work|drive|stock|records)/, [['← →', t('web.shell.keys-help.point-to-point')]]],
];

/** Which keys this view answers to: "?" shows them. */
export function KeysHelp() {
  const { pathname } = useLocation();
  const [isOpen, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== '?' || isTyping(event)) return;
      event.preventDefault();
      setOpen(true);
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  }, []);
  if (!isOpen) return null;
  const here = OF_VIEW.filter(([path]) => path.test(pathname)).flatMap(([, lines]) => lines);
  return (
    <Modal title={t('web.shell.keys-help.keys')} isOpen onClose={() => setOpen(false)}>
      {here.length > 0 && <Keys title={t('web.shell.keys-help.in-this-view')} lines={here} />}
      <Keys title={t('web.shell.keys-help.everywhere')} lines={EVERYWHERE} />
    </Modal>
  );
}

function Keys({ title, lines }: { title: string; lines: readonly Line[] }) {
  return (
    <section>
      <h3>{title}</h3>
      <List>
        {lines.map(([keys, does]) => (
          <div key={keys + does}>
            <dt>
              <kbd>{keys}</kbd>
            </dt>
            <dd>{does}</dd>
          </div>
        ))}
      </List>
    </section>
  );
}

const List = styled.dl`
  margin: 4px 0 0;
  font-size: ${size.body};
  > div {
    display: grid;
    grid-template-columns: 110px minmax(0, 1fr);
    padding: 5px 0;
    border-top: 1px solid ${color.line};
  }
  dd {
    margin: 0;
  }
  kbd {
    font: inherit;
    font-weight: 700;
  }
`;
