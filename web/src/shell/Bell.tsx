import { t } from '../words/words';
import { useEffect, useRef, useState } from 'react';
import { useNavigate } from 'react-router';
import styled from 'styled-components';
import { api } from '../api/client';
import { keys, useBell, useCall } from '../api/queries';
import { color } from '../theme/theme';
import { Button } from '../ui/Button';
import { when } from '../ui/format';
import { Modal } from '../ui/Modal';
import { RowButton } from '../ui/RowButton';
import { BandButton } from './BandButton';

/** Rings when a run ends or a job needs somebody; also outside the page, if that is allowed. */
export function Bell() {
  const bell = useBell();
  const seen = useCall(keys.bell);
  const [open, setOpen] = useState(false);
  const navigate = useNavigate();
  const notices = bell.data ?? [];
  const fresh = notices.filter((notice) => notice.seenAt === null);
  const newest = notices[0]?.id ?? 0;
  useOutside(newest, fresh[0]?.words);
  const close = () => {
    setOpen(false);
    if (fresh.length > 0) {
      seen.mutate(() => api.POST('/api/me/notices/seen', { body: { through: newest } }));
    }
  };
  return (
    <>
      <BandButton
        onPress={() => setOpen(true)}
        aria-label={
          fresh.length === 0
            ? t('web.shell.bell.bell-nothing-new')
            : t('web.shell.bell.bell-new', { length: fresh.length })
        }
      >
        <Shape viewBox="0 0 24 24" width="20" aria-hidden="true">
          <path d="M4 18h16l-2-3v-5a6 6 0 0 0-12 0v5zM10 20h4v1.5h-4z" fill="currentColor" />
        </Shape>
        {fresh.length > 0 && <Count>{fresh.length}</Count>}
      </BandButton>
      {open && (
        <Modal
          title={
            fresh.length === 0
              ? t('web.shell.bell.nothing-new')
              : t('web.shell.bell.since-you-looked', { length: fresh.length })
          }
          isOpen
          onClose={close}
        >
          {notices.length === 0 && <p>{t('web.shell.bell.when-a-run-of-yours-ends')}</p>}
          <ul>
            {notices.map((notice) => (
              <li key={notice.id}>
                <Row
                  data-here={notice.seenAt === null || undefined}
                  onPress={() => {
                    close();
                    void navigate(`/job/${notice.job}`);
                  }}
                >
                  <span>{notice.words}</span>
                  <small>{when(notice.at)}</small>
                </Row>
              </li>
            ))}
          </ul>
          <AskOutside />
          <Button onPress={close}>{t('web.shell.bell.close')}</Button>
        </Modal>
      )}
    </>
  );
}

function AskOutside() {
  const [state, setState] = useState(() =>
    'Notification' in window ? Notification.permission : 'denied',
  );
  if (state !== 'default') return null;
  return (
    <Button onPress={() => void Notification.requestPermission().then(setState)}>
      {t('web.shell.bell.also-tell-me-when-this-page')}
    </Button>
  );
}

/** A message of the browser's for what came in while the page is open. */
function useOutside(newest: number, words: string | undefined) {
  const told = useRef<number | null>(null);
  useEffect(() => {
    if (told.current !== null && newest > told.current && words !== undefined) {
      if ('Notification' in window && Notification.permission === 'granted') {
        new Notification('Tekmerion', { body: words });
      }
    }
    if (newest > 0 || told.current === null) told.current = newest;
  }, [newest, words]);
}

const Shape = styled.svg`
  display: inline-block;
  vertical-align: middle;
`;

const Count = styled.b`
  margin-left: 6px;
  padding: 0 7px;
  border-radius: 9px;
  background: ${color.matWarn};
  color: ${color.matWarnInk};
`;

const Row = styled(RowButton)`
  grid-template-columns: 1fr auto;
  gap: 12px;
  padding: 8px 10px;
  min-height: 44px;
  align-items: center;
  border-top: 1px solid ${color.line};
`;
