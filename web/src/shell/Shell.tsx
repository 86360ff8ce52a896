import { t } from '../words/words';
import { lazy, Suspense, useState } from 'react';
import { Outlet, useLocation } from 'react-router';
import styled from 'styled-components';
import { useSession } from '../api/queries';
import { useLive } from '../api/useLive';
import { color, size } from '../theme/theme';
import { Page } from '../ui/Sheet';
import { Loading } from '../ui/Loading';
import { ProblemNote } from '../ui/ProblemNote';
import { SignInView } from '../views/sign-in/SignInView';
import { Band } from './Band';
import { KeysHelp } from './KeysHelp';

/** For who is here for the first time. */
const Tour = lazy(() => import('./Tour').then((m) => ({ default: m.Tour })));

/** What stands around every view: the sign-in or the band, and whether the view is live. */
export function Shell() {
  const session = useSession();
  const person = session.data?.person ?? null;
  const live = useLive(person !== null);
  const wall = useLocation().pathname === '/wall';
  const [wasSignedIn, setWasSignedIn] = useState(false);
  if (person !== null && !wasSignedIn) setWasSignedIn(true);
  if (session.isPending) return <Loading />;
  if (session.isError) {
    return (
      <Page>
        <ProblemNote error={session.error} />
      </Page>
    );
  }
  if (person === null) return <SignInView ended={wasSignedIn} />;
  return (
    <>
      {!wall && <Band person={person} here={session.data.here} isDemo={session.data.demo} />}
      {!live && (
        <Stale role="status">{t('web.shell.shell.the-server-does-not-send-changes')}</Stale>
      )}
      <Outlet />
      <KeysHelp />
      {session.data.demo && !wall && (
        <Suspense fallback={null}>
          <Tour />
        </Suspense>
      )}
      {session.data.demo && (
        <Demo role="note">{t('web.shell.shell.demo-shop-its-machines-are-simulated')}</Demo>
      )}
    </>
  );
}

const Demo = styled.p`
  background: ${color.leanSoft};
  color: ${color.ink2};
  font-size: ${size.small};
  line-height: 20px;
  padding: 0 18px;

  @media print {
    border-bottom: 1px solid;
  }
`;

const Stale = styled.p`
  background: ${color.leanSoft};
  border-bottom: 2px solid ${color.leanMark};
  padding: 8px 18px;
`;
