import { t } from '../words/words';
import { Fragment, lazy, Suspense, useState } from 'react';
import { Outlet, useLocation } from 'react-router';
import styled from 'styled-components';
import { useSession } from '../api/queries';
import type { Person } from '../api/types';
import { useLive } from '../api/useLive';
import { color, size } from '../theme/theme';
import { Page } from '../ui/Sheet';
import { Loading } from '../ui/Loading';
import { ProblemNote } from '../ui/ProblemNote';
import { SignInView } from '../views/sign-in/SignInView';
import { Band } from './Band';
import { Knocks } from './Knocks';
import { KeysHelp } from './KeysHelp';

/** For who is here for the first time. */
const Tour = lazy(() => import('./Tour').then((m) => ({ default: m.Tour })));

/** For whose session ended in the midst of work. */
const SignInAgain = lazy(() => import('./SignInAgain').then((m) => ({ default: m.SignInAgain })));

/** What stands around every view: the sign-in or the band, and whether the view is live. */
export function Shell() {
  const session = useSession();
  const person = session.data?.person ?? null;
  const live = useLive(person !== null);
  const wall = useLocation().pathname === '/wall';
  // Whose views these are: they stay, unseen, while this person's session is at its end.
  const [stays, setStays] = useState<Person | null>(null);
  if (person !== null && person !== stays) setStays(person);
  if (session.data === undefined && stays !== null) setStays(null); // signed out, or somebody else
  if (session.data === undefined) {
    if (!session.isError) return <Loading />;
    return (
      <Page>
        <ProblemNote error={session.error} />
      </Page>
    );
  }
  const whose = person ?? stays;
  if (whose === null) return <SignInView />;
  return (
    <Fragment key={whose.id}>
      {person === null && (
        <Suspense fallback={null}>
          <SignInAgain whose={whose} />
        </Suspense>
      )}
      <div hidden={person === null}>
        {!wall && <Band person={whose} here={session.data.here} isDemo={session.data.demo} />}
        {!wall && person !== null && <Knocks person={person} />}
        {!live && person !== null && (
          <Stale role="status">{t('web.shell.shell.the-server-does-not-send-changes')}</Stale>
        )}
        <Outlet />
      </div>
      <KeysHelp />
      {session.data.demo && !wall && (
        <Suspense fallback={null}>
          <Tour />
        </Suspense>
      )}
      {session.data.demo && (
        <Demo role="note">{t('web.shell.shell.demo-shop-its-machines-are-simulated')}</Demo>
      )}
    </Fragment>
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
