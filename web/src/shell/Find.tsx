import { say, t } from '../words/words';
import { lazy, Suspense, useEffect, useState } from 'react';
import { VisuallyHidden } from 'react-aria-components';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { useFound } from '../api/queries';
import type { Hit } from '../api/types';
import { SuspicionMark } from '../marks/SuspicionMark';
import { color, size } from '../theme/theme';
import { when } from '../ui/format';
import { Marked } from '../ui/Marked';
import { Button } from '../ui/Button';
import { Modal } from '../ui/Modal';
import { Mono } from '../ui/Sheet';
import { BandButton } from './BandButton';
import { isTyping } from './isTyping';
import { labelIn } from './label';

const CameraScan = lazy(() => import('./CameraScan').then((m) => ({ default: m.CameraScan })));

export interface FindProps {
  /** What is looked for; null while closed. */
  open: string | null;
  onOpen: (text: string | null) => void;
}

/** Finds from anywhere: "/" opens it, arrows choose, Enter goes. */
export function Find({ open, onOpen }: FindProps) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== '/' || isTyping(event)) return;
      event.preventDefault();
      onOpen('');
    };
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  });
  return (
    <>
      <BandButton
        onPress={() => onOpen('')}
        aria-label={t('web.shell.find.find-a-job-serial-or-customer')}
      >
        <Glass viewBox="0 0 24 24" width="18" aria-hidden="true">
          <path
            d="M15 15l6 6M10 3a7 7 0 1 1 0 14 7 7 0 0 1 0-14z"
            fill="none"
            stroke="currentColor"
            strokeWidth="2.4"
          />
        </Glass>{' '}
        <kbd>/</kbd>
      </BandButton>
      {open !== null && <FindDialog key={open} start={open} onClose={() => onOpen(null)} />}
    </>
  );
}

function FindDialog({ start, onClose }: { start: string; onClose: () => void }) {
  const [text, setText] = useState(start);
  const [asked, setAsked] = useState(start);
  const [at, setAt] = useState(0);
  const [scans, setScans] = useState(false);
  const navigate = useNavigate();
  useEffect(() => {
    const timer = window.setTimeout(() => setAsked(text), 120);
    return () => {
      window.clearTimeout(timer);
    };
  }, [text]);
  const found = useFound(asked);
  const hits = asked.trim().length > 1 ? (found.data?.hits ?? []) : [];
  const chosen = Math.min(at, hits.length - 1);
  const go = (hit: Hit | undefined) => {
    if (hit === undefined) return;
    onClose();
    void navigate(`/job/${hit.number}`);
  };
  const take = (code: string) => {
    const label = labelIn(code);
    setScans(false);
    if (label === null) return setText(code);
    onClose();
    void navigate(`/job/${label.job}`);
  };
  const camera = (
    <Button onPress={() => setScans(!scans)}>
      {scans
        ? t('web.shell.camera-scan.type-it-instead')
        : t('web.shell.camera-scan.scan-with-the-camera')}
    </Button>
  );
  if (scans) {
    return (
      <Modal title={t('web.shell.camera-scan.scan-with-the-camera')} isOpen onClose={onClose}>
        <Suspense fallback={null}>
          <CameraScan onCode={take} />
        </Suspense>
        {camera}
      </Modal>
    );
  }
  return (
    <Modal title={t('web.shell.find.find-a-job-serial-customer-model')} isOpen onClose={onClose}>
      <Input
        aria-label={t('web.shell.find.what-to-find')}
        role="combobox"
        aria-expanded={hits.length > 0}
        aria-controls="found"
        aria-activedescendant={hits.length > 0 ? `hit-${chosen}` : undefined}
        autoFocus
        autoComplete="off"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setAt(0);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setAt(Math.min(chosen + 1, hits.length - 1));
          else if (event.key === 'ArrowUp') setAt(Math.max(chosen - 1, 0));
          else if (event.key === 'Enter') go(hits[chosen]);
          else return;
          event.preventDefault();
        }}
      />
      {camera}
      <p role="status">{words(asked, found.isFetching, hits.length, found.data?.more ?? false)}</p>
      <List id="found" role="listbox" aria-label={t('web.shell.find.found')}>
        {hits.map((hit, i) => (
          <li
            key={hit.number}
            id={`hit-${i}`}
            role="option"
            aria-selected={i === chosen}
            data-here={i === chosen || undefined}
            onClick={() => go(hit)}
          >
            <Row>
              <SuspicionMark suspicion={hit.suspicion} size={20} />
              <span>
                <b>
                  <Mono>
                    <Marked text={hit.number} find={asked} />
                  </Mono>{' '}
                  <Marked text={hit.machine} find={asked} />
                </b>{' '}
                · <Marked text={hit.customer} find={asked} />
                <small>
                  {hit.serial !== null && (
                    <>
                      {say('web.shell.find.serial', {
                        marked: <Marked text={hit.serial} find={asked} serial />,
                      })}{' '}
                    </>
                  )}
                  <Marked text={hit.complaint} find={asked} />
                  {hit.errorText !== null && (
                    <>
                      {' '}
                      · <Marked text={hit.errorText} find={asked} />
                    </>
                  )}
                </small>
              </span>
              <small>
                {hit.endedAt === null ? t('web.shell.find.in-the-shop') : when(hit.endedAt)}
              </small>
            </Row>
          </li>
        ))}
      </List>
      <VisuallyHidden>{t('web.shell.find.arrow-keys-choose-enter-opens-escape')}</VisuallyHidden>
    </Modal>
  );
}

function words(asked: string, isFetching: boolean, count: number, more: boolean): string {
  if (asked.trim().length < 2) return t('web.shell.find.type-at-least-two-characters-of');
  if (count === 0)
    return isFetching
      ? t('web.shell.find.looking')
      : t('web.shell.find.nothing-is-found-try-fewer-characters');
  return more
    ? t('web.shell.find.the-newest-type-more-to-narrow', { count })
    : t('web.shell.find.found-2', { count });
}

const Glass = styled.svg`
  vertical-align: middle;
`;

const Input = styled.input`
  font: inherit;
  font-size: ${size.head};
  min-height: 48px;
  padding: 8px 12px;
  border: 1.5px solid ${color.ink3};
  border-radius: 4px;
  background: ${color.sheet};
  color: ${color.ink};
`;

const List = styled.ul`
  li + li {
    border-top: 1px solid ${color.line};
  }
  li[data-here] {
    background: ${color.clearSoft};
    outline: 2px solid ${color.clear};
    outline-offset: -2px;
  }
`;

const Row = styled.div`
  display: grid;
  grid-template-columns: 24px 1fr auto;
  gap: 10px;
  align-items: center;
  text-align: left;
  padding: 8px 10px;
  min-height: 48px;
  cursor: pointer;
  small {
    color: ${color.ink2};
    font-size: ${size.text};
  }
  span small {
    display: block;
  }
`;
